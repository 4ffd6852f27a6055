// Texts of `model/send-save.ts`.

export { requestFailedHttp } from '../later.ts';
export { arbeitCouldNotBeReached, theResponseWasCutOff } from './shared.ts';

export const noResponseFromTheServerWithin = (value: number) =>
  `No response from the server within ${value} seconds.`;

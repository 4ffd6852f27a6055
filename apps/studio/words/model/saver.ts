// Texts of `model/saver.ts`.

export { theResponseWasCutOff } from './shared.ts';

export const arbeitCouldNotBeReachedWithWhy = (why: string) => `Arbeit could not be reached (${why}).`;

// Texts of `screens/handoff/made.ts`.

export { noResponseFromTheServerTry } from './shared.ts';

export const theBuildWasInterrupted = 'The build was interrupted. Try again.';

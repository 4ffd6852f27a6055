// Texts of `model/other-sets.ts`.

export { noResponseFromTheServer } from '../shared.ts';

export const requestFailedHttpWithStatus = (status: number) => `Request failed (HTTP ${status}). Try again.`;
export const somebodyElseSavedTheSet = 'Somebody else saved the set at the same moment. Try again.';
export const nothingWasChanged = (why: string) => `${why} Nothing was changed; try again.`;

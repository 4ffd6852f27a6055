// Texts of `screens/trials/trial-row.tsx`.

import { plural } from '../plural.ts';

export { moveDown, moveUp } from '../shared.ts';

export const closeOpen = (isOpen: boolean, name: string) => `${isOpen ? 'Close' : 'Open'} ${name}`;
export const nameOfTheTrial = (id: string) => `Name of the trial ${id}`;
export const ofExpectationsMet = (expected: number) =>
  plural(expected, '1 of 1 expectation met', `${expected} of ${expected} expectations met`);
export const theTapeCould = 'The tape could not be played';
export const ofExpectationsFailed = (misses: number, expected: number) =>
  plural(expected, `${misses} of 1 expectation failed`, `${misses} of ${expected} expectations failed`);
export const notRunYet = 'not run yet';
export const descriptionOfTheTrial = (id: string) => `Description of the trial ${id}`;
export const addADescription = 'Add a description';
export const playOnDesk = 'Play on desk';
export const playOnForm = 'Play on form';
export const deleteTrial = 'Delete trial';

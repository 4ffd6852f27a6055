// Texts of `screens/revisions/compared.tsx`.

export { compare, compareBehaviour, runAgain, stop } from '../later.ts';
export { revisions } from '../shared.ts';

export const revision = (revision: number) => `Revision ${revision}`;
export const notComparedYet = 'Not compared yet.';
export const comparedWithCompared = (compared: number) => `${compared} compared…`;
export const stoppedAfter = (compared: number) => `Stopped after ${compared}.`;
export const noDifferencesInBehaviour = 'No differences in behaviour.';
export const ofDiffer = (apart: number, compared: number) => `${apart} of ${compared} differ.`;
export const compared = 'Compared';
export const before = 'Before';
export const after = 'After';
export const runsTheSameKeystrokesThrough =
  'Runs the same keystrokes through two revisions, sets or fields, and lists every difference with the shortest tape that shows it.';
export const unchanged = (count: number, flatMap: string) => `Unchanged (${count}): ${flatMap}.`;
export const whichSet = (label: string) => `${label}: which set`;
export const currentVersion = 'Current version';
export const otherSets = 'Other sets';
export const whichField = (label: string) => `${label}: which field`;
export const allFields = 'All fields';
export const afterWord = 'after';
export const beforeWord = 'before';

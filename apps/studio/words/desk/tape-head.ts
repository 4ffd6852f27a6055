// Texts of `screens/desk/tape-head.tsx`.

import { plural } from '../plural.ts';

export { clearTape, couldNotLoadThisPart } from '../shared.ts';
export { empty, tape } from './shared.ts';

export const restoreTape = 'Restore tape';
export const thisFileIsTooLarge = 'This file is too large for a tape.';
export const rows = (rows: number) => plural(rows, '1 row', `${rows} rows`);
export const lastRejection = 'Last rejection';
export const rowOfNewKeysContinue = (at: number, rows: number) =>
  `Row ${at} of ${rows} (new keys continue from here)`;
export const stepBack = 'Step back';
export const stepForward = 'Step forward';
export const openATape = 'Open a tape…';
export const more = 'More';
export const moreTapeActions = 'More tape actions';
export const chooseExpectations = 'Choose expectations of the trial';
export const hideExpectations = 'Hide expectations of the trial';
export const copyAsText = 'Copy as text';
export const saveAsTrial = 'Save as trial';

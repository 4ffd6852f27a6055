// Texts of `screens/desk/tape.tsx`.

import { plural } from '../plural.ts';

export { clearTape, copied, couldNotLoadThisPart, key, theBrowserBlockedCopying } from '../shared.ts';
export { empty, value } from './shared.ts';

export const tape = 'Tape';
export const restoreTape = 'Restore tape';
export const rowsOfTheTape = 'Rows of the tape; arrow keys step';
export const displayHeading = 'Display';
export const rawHeading = 'Raw';
export const flagsHeading = 'Flags';
export const messages = 'Messages';
export const thisFileIsTooLarge = 'This file is too large for a tape.';
export const rows = (rows: number) => plural(rows, '1 row', `${rows} rows`);
export const lastRejection = 'Last rejection';
export const rowOfNewKeysContinue = (at: number, rows: number) =>
  `Row ${at} of ${rows} (new keys continue from here)`;
export const stepBack = 'Step back';
export const stepForward = 'Step forward';
export const openATape = 'Open a tape';
export const copyAsText = 'Copy as text';
export const saveAsTrial = 'Save as trial';
export const typeIntoTheFieldAbove = 'Type into the field above. Every keystroke is recorded here. Or try:';
export const ignored = (leftOut: string) => `ignored: ${leftOut}`;
export const readAs = (assumed: string) => `read as ${assumed}`;

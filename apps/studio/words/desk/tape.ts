// Texts of `screens/desk/tape.tsx`.

export { key } from '../shared.ts';
export { tape, value } from './shared.ts';

export const rowsOfTheTape = 'Rows of the tape; arrow keys step';
export const displayHeading = 'Display';
export const rawHeading = 'Raw';
export const flagsHeading = 'Flags';
export const messages = 'Messages';
export const nothingToExpectYet =
  'Type into the field first. Then choose what the trial expects at each row.';
export const typeIntoTheFieldAbove = 'Type into the field above. Every keystroke is recorded here. Or try:';
export const ignored = (leftOut: string) => `ignored: ${leftOut}`;
export const readAs = (assumed: string) => `read as ${assumed}`;

// Texts of `store/backup.ts`.

import { plural } from '../plural.ts';

export const lineIsNotJson = (number: number) =>
  `Line ${number} is not JSON. The file is damaged or is not a backup.`;
export const theFileIsIncomplete = 'The file is incomplete: its last line is cut off.';
export const line1 = 'Line 1 is not the header of an Arbeit backup.';
export const theFileHasVersion = (version: number, version2: number) =>
  `The file has version ${version}. This version of Arbeit reads version ${version2}.`;
export const theFileIsIncompleteEnd = 'The file is incomplete: its end is cut off.';
export const theChecksumDoesNotMatch = 'The checksum does not match: the file was changed or damaged.';
export const lineIsNotARow = (i: number) => `Line ${i} is not a row of a table of Arbeit.`;
export const theFileHasRowsBut = (rows: number, rows2: number) =>
  `The file has ${rows} rows, but should have ${rows2}.`;
export const unknownColumn = (name: string) =>
  `Unknown column “${name}”. The file was written by another version of Arbeit.`;
export const theStoreAlreadyHasSets = (present: number) =>
  `The store already has ${plural(present, '1 set', `${present} sets`)}. Back it up first, then add --replace to replace it.`;

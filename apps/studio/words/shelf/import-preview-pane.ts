// Texts of `screens/shelf/import-preview-pane.tsx`.

import { plural } from '../plural.ts';

export { kind, stop } from '../later.ts';
export { field, rules } from '../shared.ts';

export const columnNames = 'Column names are in';
export const theFirstRow = 'the first row';
export const theFirstColumn = 'the first column';
export const numberAndDateFormat = 'Number and date format';
export const sample = 'Sample';
export const everythingWasImported = 'Everything was imported.';
export const notImportedOrChanged = (lost: number) => `Not imported, or changed (${lost}):`;
export const lineColumn = (line: number, column: number) => `line ${line}, column ${column}`;
export const detectedKind = 'Detected kind';
export const examples = 'Examples';
export const followedByIs = (name: string) => `${name} is`;
export const imported = 'Imported';
export const someOf = (examples: string, left: number) =>
  left > 0 ? `${examples} · and ${left} more` : examples;
export const importFields = (count: number) => plural(count, 'Import 1 field', `Import ${count} fields`);

export const cellsDoNotFit = (count: number): string =>
  plural(count, '1 cell does not fit its kind:', `${count} cells do not fit their kinds:`);

export const inRow = (name: string, row: number): string => `${name}, row ${row}:`;
export const inColumn = (name: string, column: number): string => `${name}, column ${column}:`;

const many = (rows: number): string => rows.toLocaleString('en-GB');
export const checkingAllRows = 'Checking all rows…';
export const checkedSoFar = 'Rows checked so far';
export const onlyTheFirstRows = (rows: number): string => `Only the first ${many(rows)} rows were checked.`;
export const allRowsChecked = (rows: number): string => `All ${many(rows)} rows were checked.`;
export const checkAllRows = 'Check all rows';
export const notAllRowsChecked = (why: string): string => `Not all rows could be checked: ${why}`;
export const checkingEnded = 'the check ended unexpectedly. Try again.';
export const kindChanged = (name: string, before: string, now: string): string =>
  `${name}: too many cells do not fit “${before}”. The column is “${now}” now.`;

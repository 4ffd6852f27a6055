// Texts of `screens/shelf/import-dialog.tsx`.

export { loadingSets, remove } from '../later.ts';
export { fieldCount } from '../shared.ts';

import { plural } from '../plural.ts';

export const arbeitDocument = 'Arbeit document';
export const htmlForm = 'HTML form';
export const jsonSchema = 'JSON Schema';
export const csvOrTsv = 'CSV or TSV';
export const importTitle = 'Import';
export const fileArbeitJsonHtmlJson = 'File (.arbeit.json, HTML, JSON Schema, CSV or TSV)';
export const orPasteItsContents = '…or paste its contents';
export const format = 'Format';
export const isValid = (title: string, words: string) => `“${title}” is valid: ${words}.`;
export const importAsANewSet = 'Import as a new set';
export const importIntoSet = (title: string) => `Import into “${title}”`;
export const into = 'Import into';
export const aNewSet = 'A new set';
export const addedWithOtherIds = (fields: string, title: string, renamed: string) =>
  `Added to “${title}”: ${fields}. Some ids were already used there, so the added fields and forms have other ids: ${renamed}.`;
export const renamedTo = (before: string, after: string) => `${before} is now ${after}`;
export const goToSet = 'Show the set';
export const errors = (faults: number) =>
  `${plural(faults, '1 error', `${faults} errors`)}. Fix the text above, or import only the valid fields.`;
export const lineColumnWithLineColumn = (line: number, column: number, path: string) =>
  `line ${line}, column ${column} · ${path}`;
export const andMore = (faults: number) => `And ${faults} more.`;
export const validFields = (fields: string) => `Valid fields: ${fields}.`;
export const noFieldCouldBeRead = 'No field could be read.';
export const importLabelWithWords = (words: string) => `Import ${words}`;
export const longText = (characters: number) =>
  `${characters.toLocaleString('en-GB')} characters. A text this long is not shown here.`;
export const fileCannotBeRead = (name: string) =>
  `“${name}” cannot be read. It may have been moved, or be too large. Choose the file again, or part of it.`;

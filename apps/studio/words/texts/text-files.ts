// Texts of `screens/texts/text-files.tsx`.

import { plural } from '../plural.ts';

export { downloadCsv } from '../later.ts';
export { downloadJson } from '../shared.ts';

export const tooLarge = 'Too large: a set can have at most 4 MB.';
export const textsImported = (changed: number) =>
  plural(changed, '1 text imported.', `${changed} texts imported.`);
export const importFile = 'Import file…';

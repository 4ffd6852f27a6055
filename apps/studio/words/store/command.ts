// Texts of `store/command.ts`.

import { plural } from '../plural.ts';

export const theFolderHasNoStore = (resolve: string) => `The folder ${resolve} has no store.`;
export const setsRestoredRows = (sets: number, rows: number, at: string) =>
  `${plural(sets, '1 set', `${sets} sets`)} restored (${plural(rows, '1 row', `${rows} rows`)}) from the backup of ${at}.`;
export const theDocumentOfCannot = (id: string) =>
  `The document of ${id} cannot be read by this version of Arbeit.`;

// Texts of `screens/revisions/revisions-sheet.tsx`.

import { plural } from '../plural.ts';

export { close, restore, revisions } from '../shared.ts';

export const revisionsOf = (title: string) => `Revisions of ${title}`;
export const revisionsNewestFirst = (revisions: number, dropped: number) =>
  `${plural(revisions, '1 revision', `${revisions} revisions`)}, newest first. Saves from one tab within five minutes are merged; named revisions are kept.${dropped > 0 ? ` ${plural(dropped, '1 older revision was', `${dropped} older revisions were`)} deleted: Arbeit keeps the latest 500.` : ''}`;
export const nameOfRevision = (revision: number) => `Name of revision ${revision}`;
export const addName = 'Add name';
export const current = 'current';
export const dayAndTimes = (day: string, from: string, to: string) => `${day}, ${from} to ${to}`;
export const revisionNumber = (revision: number) => `Revision ${revision}`;
export const closePreview = (isLookedAt: boolean, title: string) =>
  `${isLookedAt ? 'Close' : 'Preview'} ${title}`;
export const preview = 'Preview';
export const compareWithCurrentWithTitle = (title: string) => `Compare with current: ${title}`;
export const restoreWithTitle = (title: string) => `Restore ${title}`;
export const wasRestored = (revision: string) =>
  `${revision} was restored. The replaced version is in the list; you can also undo.`;

// Texts of `screens/set/refused-versions.tsx`.

import { plural } from '../plural.ts';

export { requestFailedHttp } from '../later.ts';
export { conflictingSaves, deleteLabel, noResponseFromTheServer } from '../shared.ts';

export const restored = 'Restored. The version it replaced is in the revision history.';
export const theseSavesCollidedWithSomebody = (revision: number) =>
  `These saves conflicted with changes by somebody else. The set is now at revision ${revision}. Restore or delete each one.`;
export const keptConflicts = (dropped: number) =>
  `Arbeit keeps the latest 50. ${plural(dropped, '1 older version was deleted.', `${dropped} older versions were deleted.`)}`;
export const noConflictingSaves = 'No conflicting saves.';
export const basedOnRevision = (base: number) => `based on revision ${base}`;
export const identicalToTheCurrentVersion = 'Identical to the current version.';
export const andMore = (differs: number) => `And ${differs} more.`;
export const restoreThisVersion = 'Restore this version';
export const download = 'Download';
export const deleted = 'Deleted.';

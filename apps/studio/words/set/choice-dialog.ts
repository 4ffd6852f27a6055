// Texts of `screens/set/choice-dialog.tsx`.

export const theStoreWasRestored = 'The store was restored from a backup';
export const someoneElseHasChanged = 'Someone else has changed this set';
export const whichVersionDoYouWant = (
  isRestored: boolean,
  title: string,
  revision: number,
  isKept: boolean,
) =>
  `${isRestored ? `The backup contains “${title}” at revision ${revision}. This page shows a different version.` : `“${title}” was saved in another window or by someone else (revision ${revision}).`} ${isKept ? 'Your version is stored under “Conflicting saves” in the menu of the set.' : isRestored ? 'If you use the version of the backup, Undo restores yours.' : 'If you use their version, Undo restores yours.'} Which version do you want to continue with?`;
export const useTheVersion = 'Use the version of the backup';
export const useTheirVersion = 'Use their version';
export const keepMyVersion = 'Keep my version';
export const downloadMyVersion = 'Download my version';
export const keepBoth = 'Keep both: mine as a new set';
export const myVersionOf = (title: string) => `${title} (my version)`;
export const howTheyDiffer = 'How they differ';
export const theirs = 'theirs';
export const mine = 'mine';
export const none = '–';
export const memberOf = (of: string, member: string) => (of === '' ? member : `“${of}”: ${member}`);
export const behaviour = 'Behaviour, by the shortest tape that shows it';
export const comparing = 'Comparing…';
export const theFieldsBehaveAlike = 'No differences in behaviour.';

// Texts of `screens/set/choice-dialog.tsx`.

export const theStoreWasRestored = 'The store was restored from a backup';
export const someoneElseHasChanged = 'Someone else has changed this set';
export const restIsMerged = (conflicts: number) =>
  conflicts === 1
    ? 'Both versions changed one thing differently. All other changes are merged.'
    : `Both versions changed ${conflicts} things differently. All other changes are merged.`;
export const whichVersionDoYouWant = ({
  title,
  revision,
  isRestored,
  isKept,
  conflicts,
}: {
  readonly title: string;
  readonly revision: number;
  readonly isRestored: boolean;
  readonly isKept: boolean;
  /** How many members both versions changed; 0 if only a whole version can be chosen. */
  readonly conflicts: number;
}) =>
  [
    isRestored
      ? `The backup contains “${title}” at revision ${revision}. This page shows a different version.`
      : `“${title}” was saved in another window or by someone else (revision ${revision}).`,
    ...(conflicts > 0 ? [restIsMerged(conflicts)] : []),
    isKept
      ? 'Your version is stored under “Conflicting saves” in the menu of the set.'
      : isRestored
        ? 'If you use the version of the backup, Undo restores yours.'
        : 'If you use their version, Undo restores yours.',
    'Which version do you want to continue with?',
  ].join(' ');
export const useTheVersion = 'Use the version of the backup';
export const useTheirVersion = 'Use their version';
export const useTheChosenVersions = 'Use the chosen versions';
export const keepMyVersion = 'Keep my version';
export const keepMineEverywhere = 'Keep my version of all';
export const downloadMyVersion = 'Download my version';
export const keepBoth = 'Keep both: mine as a new set';
export const myVersionOf = (title: string) => `${title} (my version)`;
export const howTheyDiffer = 'How they differ';
export const what = 'What';
export const versionWithColon = (whose: string) => `${whose}: `;
export const theirs = 'theirs';
export const mine = 'mine';
export const none = '–';
export const memberOf = (of: string, member: string) => (of === '' ? member : `“${of}”: ${member}`);
export const behaviour = 'Behaviour, by the shortest tape that shows it';
export const comparing = 'Comparing…';
export const theFieldsBehaveAlike = 'No differences in behaviour.';

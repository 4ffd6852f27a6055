// Texts of `screens/set/found.tsx`.

export const behavesDifferently = 'behaves differently';
export const whatWasFound = 'What was found';
export const noLongerAccepted = 'No longer accepted:';
export const newlyAccepted = 'Newly accepted:';
export const differencesIn = (name: string) => `Differences in ${name}`;
export const keys = 'keys';
export const form = ' (form)';
export const definitionDiffers = 'definition differs; no difference in behaviour found';
export const unchangedWord = 'unchanged';
export const removed = 'removed';
export const added = 'added';

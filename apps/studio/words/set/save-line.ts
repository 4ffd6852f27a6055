// Texts of `screens/set/save-line.tsx`.

export { redo, tryAgain, undoLastChange } from '../shared.ts';

export const yourChangesAreKept = 'Your changes are kept in this browser and will be retried automatically.';
export const thisBrowserCannotKeep =
  'This browser cannot keep your changes. Leave this page open until they are saved.';
export const unsavedChangesFromWereRestored = (value: string) =>
  `Unsaved changes from ${value} were restored`;
export const savedExceptTheMarkedErrors = 'Saved, except the marked errors';
export const saved = 'Saved';
export const saving = 'Saving…';
export const notSaved = 'Not saved';
export const notSavedWithValue = (value: string) => `Not saved: ${value}`;
export const undo = 'Undo';
export const yourVersionIs = 'Your version is the set';

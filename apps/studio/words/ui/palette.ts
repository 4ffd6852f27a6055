// Texts of `ui/palette.tsx`.

export { redo } from '../shared.ts';
export { commands, keyboardShortcuts } from './shared.ts';

export const undo = 'Undo typing in an input, or the last change of the definition';
export const closeTheOpenDialog = 'Close the open dialog or panel';
export const and =
  'and ↓: reorder (on a handle), step (on the tape), increase or decrease (in a number, date or time)';
export const whatDoYouWant = 'What do you want to do?';
export const loading = 'Loading…';
export const noMatchingCommand = 'No matching command. Try another word.';

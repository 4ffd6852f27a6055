// Texts of `screens/desk/live-field.tsx`.

export { desktop, hint, initialValue, noLabel, phone, placeholder } from '../shared.ts';
export { label, none } from './shared.ts';

export const unfocusedAfterBlur = 'Unfocused (after blur)';
export const asExported = 'As exported';
export const liveField = 'Live field';
export const addALabel = 'Add a label';
export const noHint = 'no hint';
export const thePlaceholderIsHiddenUntil = 'The placeholder is hidden until the initial value is cleared.';
export const sameAsApp = 'Same as app';

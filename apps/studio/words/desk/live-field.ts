// Texts of `screens/desk/live-field.tsx`.

export { hint, initialValue, noLabel, onADesktop, onAPhone, placeholder } from '../shared.ts';
export { label, none } from './shared.ts';

export const unfocusedAfterBlur = 'after blur';
export const asExported = 'as exported';
export const liveField = 'Live field';
export const addALabel = 'Add a label';
export const noHint = 'no hint';
export const thePlaceholderIsHiddenUntil = 'The placeholder is hidden until the initial value is cleared.';

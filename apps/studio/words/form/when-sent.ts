// Texts of `screens/form/when-sent.tsx`.

export { submission } from '../later.ts';
export { never } from './shared.ts';

export const submitButton = 'Submit button';
export const alwaysEnabled = 'always enabled';
export const disabledUntilValid = 'disabled until valid';
export const autoSubmit = 'Auto-submit';
export const after = (label: string) => `after “${label}”`;
export const ifAServerCheckFails = 'If a server check fails to respond';
export const blockSubmission = 'block submission';
export const submitAnyway = 'submit anyway';

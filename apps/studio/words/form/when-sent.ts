// Texts of `screens/form/when-sent.tsx`.

export { submission } from '../later.ts';

export const submitButton = 'Submit button';
export const theSubmitButtonIs = 'The submit button is';
export const alwaysEnabled = 'always enabled';
export const disabledUntilValid = 'disabled until all fields are valid';
export const autoSubmit = 'Auto-submit';
export const theFormSubmitsItself = 'The form submits itself';
export const never = 'never';
export const after = (label: string) => `after “${label}” is complete`;
export const ifAServerCheckFails = 'If a server check fails to respond';
export const withoutAnAnswer = 'If a server check fails to respond,';
export const blockSubmission = 'submission is blocked';
export const submitAnyway = 'the form is submitted anyway';

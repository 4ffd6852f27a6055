// Texts of `screens/desk/rule-editor.tsx`.

export { deleteRule } from '../later.ts';
export { close } from '../shared.ts';

export const orShow = 'or show';
export const asWord = 'as';

export const minimumAndMaximumShare = 'Minimum and maximum share one message.';
export const splitIntoTwoRules = 'Split into two rules';
export const errorCode = 'Error code';
export const useOnlyLettersDigits = 'Use only letters, digits, “-” and “_”.';
export const showMessage = 'Show message';
export const severity = 'Severity';
export const error = 'an error';
export const warningInText = 'a warning';
export const ifTheValueFails = 'If the value fails';
export const keepIt = 'keep it';
export const clearTheField = 'clear the field';

// Texts of `model/field-edits.ts`.

export const useLowerCaseLettersDigits = 'Use lower-case letters, digits and “-”, starting with a letter.';
export const thisIdIsAlready = 'This id is already in use.';

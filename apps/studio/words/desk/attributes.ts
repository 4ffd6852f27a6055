// Texts of `screens/desk/attributes.ts`.

/** Short names of input attributes in the summary line. */
export const short = {
  inputmode: 'keyboard:',
  enterkeyhint: 'enter key:',
  autocomplete: 'autofill:',
  autocapitalize: 'capitalization:',
  autocorrect: 'autocorrect:',
  spellcheck: 'spell check:',
  readonly: 'read-only',
};

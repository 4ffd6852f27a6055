/** Our own words and what each means, in alphabetical order. */
export const terms: readonly { readonly word: string; readonly meaning: string }[] = [
  {
    word: 'cell',
    meaning: 'One position of a pattern. It accepts one character of a class, such as a digit.',
  },
  { word: 'desk', meaning: 'The page of one field: its definition, the field itself, and the tape.' },
  { word: 'field', meaning: 'An input with a definition: a kind, options and rules.' },
  { word: 'form', meaning: 'Fields in an order, submitted together, with rules across them.' },
  {
    word: 'hand-off',
    meaning: 'The code you download: a folder with fields, forms and adapters that behave as in the studio.',
  },
  { word: 'kind', meaning: 'The type of a field: pattern, currency, date, PIN and so on.' },
  {
    word: 'law',
    meaning: 'A guarantee that holds for every field, for example: nothing a user types is lost silently.',
  },
  {
    word: 'mutation',
    meaning: 'One small change to a definition. A mutation test checks that a trial fails because of it.',
  },
  { word: 'raw value', meaning: 'The text that is stored and sent, without formatting.' },
  { word: 'ruler', meaning: 'Pattern, display and raw value of a field, aligned character by character.' },
  { word: 'set', meaning: 'The fields and forms of one project, stored as one document.' },
  { word: 'shelf', meaning: 'The start page, with all sets.' },
  { word: 'specimen', meaning: 'The finished text of a field. Click a part to edit its definition.' },
  { word: 'tape', meaning: 'A recording of the keys pressed in a field and of what each key did.' },
  { word: 'trial', meaning: 'A tape with expectations: a test for a field or a form.' },
  { word: 'typed value', meaning: 'The value for code: an E.164 number, an ISO 8601 date, a decimal.' },
  {
    word: 'verdict',
    meaning: 'The result of a rule: pass, fail, or open (the value is not finished and may still pass).',
  },
];

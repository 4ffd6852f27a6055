/** An input attribute (HTML) that a field can set, with its values. */
export interface BrowserAttribute {
  readonly name: string;
  readonly label: string;
  /** Its short name in the summary line. */
  readonly short: string;
  readonly values: readonly string[] | 'yes';
}

/** Autofill field names (HTML) that a single field can use, with what the browser then fills in. */
export const tokenWords: Readonly<Record<string, string>> = {
  off: 'nothing',
  name: 'the whole name',
  'given-name': 'first name',
  'family-name': 'last name',
  nickname: 'what one is called',
  username: 'name to sign in with',
  'new-password': 'a new password',
  'current-password': 'the password there is',
  'one-time-code': 'a code from a message',
  organization: 'company or club',
  'street-address': 'street, on several lines',
  'address-line1': 'first line of the address',
  'address-line2': 'second line of the address',
  'address-level1': 'state or canton',
  'address-level2': 'town',
  'postal-code': 'postal code',
  country: 'country, as a code',
  'country-name': 'country, in words',
  'cc-name': 'name on the card',
  'cc-number': 'card number',
  'cc-exp': 'until when the card is good',
  'cc-csc': 'security code of the card',
  'transaction-currency': 'currency of a payment',
  'transaction-amount': 'amount of a payment',
  language: 'preferred language',
  bday: 'day of birth',
  'bday-day': 'day of birth, the day',
  'bday-month': 'day of birth, the month',
  'bday-year': 'day of birth, the year',
  url: 'a page',
  tel: 'telephone, with its country',
  'tel-national': 'telephone, without',
  email: 'e-mail',
};

export const attributes: readonly BrowserAttribute[] = [
  { name: 'inputmode', label: 'Keyboard', short: 'keyboard', values: ['text', 'numeric', 'tel', 'decimal', 'email', 'url', 'search', 'none'] },
  { name: 'enterkeyhint', label: 'Return key', short: 'return key', values: ['enter', 'done', 'go', 'next', 'previous', 'search', 'send'] },
  { name: 'autocomplete', label: 'Filled in with', short: 'filled in with', values: Object.keys(tokenWords) },
  { name: 'autocapitalize', label: 'Capitals', short: 'capitals', values: ['none', 'sentences', 'words', 'characters'] },
  { name: 'autocorrect', label: 'Corrections', short: 'corrections', values: ['on', 'off'] },
  { name: 'spellcheck', label: 'Spelling', short: 'spelling', values: ['true', 'false'] },
  { name: 'readonly', label: 'Only read', short: 'only read', values: 'yes' },
]; // biome-ignore format: one attribute a line

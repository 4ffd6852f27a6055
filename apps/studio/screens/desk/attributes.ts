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
  name: 'full name',
  'given-name': 'first name',
  'family-name': 'last name',
  nickname: 'nickname',
  username: 'user name',
  'new-password': 'a new password',
  'current-password': 'current password',
  'one-time-code': 'one-time code',
  organization: 'company or club',
  'street-address': 'street address (multi-line)',
  'address-line1': 'first line of the address',
  'address-line2': 'second line of the address',
  'address-level1': 'state, province or region',
  'address-level2': 'town',
  'postal-code': 'postal code',
  country: 'country, as a code',
  'country-name': 'country, in words',
  'cc-name': 'name on the card',
  'cc-number': 'card number',
  'cc-exp': 'card expiry date',
  'cc-csc': 'security code of the card',
  'transaction-currency': 'currency of a payment',
  'transaction-amount': 'amount of a payment',
  language: 'preferred language',
  bday: 'date of birth',
  'bday-day': 'day of birth, the day',
  'bday-month': 'birth month',
  'bday-year': 'day of birth, the year',
  url: 'web address (URL)',
  tel: 'phone number with country code',
  'tel-national': 'phone number without country code',
  email: 'e-mail',
};

export const attributes: readonly BrowserAttribute[] = [
  { name: 'inputmode', label: 'Keyboard', short: 'keyboard:', values: ['text', 'numeric', 'tel', 'decimal', 'email', 'url', 'search', 'none'] },
  { name: 'enterkeyhint', label: 'Enter key', short: 'enter key:', values: ['enter', 'done', 'go', 'next', 'previous', 'search', 'send'] },
  { name: 'autocomplete', label: 'Autofill', short: 'autofill:', values: Object.keys(tokenWords) },
  { name: 'autocapitalize', label: 'Capitalization', short: 'capitalization:', values: ['none', 'sentences', 'words', 'characters'] },
  { name: 'autocorrect', label: 'Autocorrect', short: 'autocorrect:', values: ['on', 'off'] },
  { name: 'spellcheck', label: 'Spell check', short: 'spell check:', values: ['true', 'false'] },
  { name: 'readonly', label: 'Read-only', short: 'read-only', values: 'yes' },
]; // biome-ignore format: one attribute a line

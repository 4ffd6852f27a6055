// Texts of `screens/desk/attribute-rows.tsx`.

/** Labels of input attributes. */
export const labels = {
  inputmode: 'Keyboard',
  enterkeyhint: 'Enter key',
  autocomplete: 'Autofill',
  autocapitalize: 'Capitalization',
  autocorrect: 'Autocorrect',
  spellcheck: 'Spell check',
  readonly: 'Read-only',
};
/** Autofill field names (HTML), with what the browser then fills in. */
export const autofillTokens = {
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
  'bday-day': 'day of the date of birth',
  'bday-month': 'month of the date of birth',
  'bday-year': 'year of the date of birth',
  url: 'web address (URL)',
  tel: 'phone number with country code',
  'tel-national': 'phone number without country code',
  email: 'e-mail',
};
export const notSet = 'not set';
export const defaultValue = (own: string) => `${own} (default)`;
export const yes = 'yes';

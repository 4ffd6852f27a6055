/**
 * Codes of ISO 4217 (list one, maintained by its agency) that are funds and units of account. `Intl` formats them
 * with their decimals and leaves them out of its list of currencies.
 */
const funds = ['BOV', 'CHE', 'CHW', 'CLF', 'COU', 'MXV', 'USN', 'UYI', 'UYW', 'XDR'];

/** Whether a code is a currency. `Intl` would format any three letters, so the known ones are asked for. */
export const isCurrency = (code: string): boolean =>
  funds.includes(code) || Intl.supportedValuesOf('currency').includes(code);

/**
 * Codes of ISO 4217 (list one, maintained by its agency) that are funds and units of account. `Intl` formats
 * them with their decimals and leaves them out of its list of currencies.
 */
const funds = ['BOV', 'CHE', 'CHW', 'CLF', 'COU', 'MXV', 'USN', 'UYI', 'UYW', 'XDR'];

/**
 * Minor units of ISO 4217 (list one) where they are not two. The platform's own figures follow what is used
 * in cash (forints without decimals), which is not what amounts are kept in.
 */
const minorUnits: Readonly<Record<number, string>> = {
  0: 'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF',
  3: 'BHD IQD JOD KWD LYD OMR TND',
  4: 'CLF UYW',
};

/** How many decimals a currency has (ISO 4217). */
export function decimalsOf(currency: string): number {
  for (const [decimals, codes] of Object.entries(minorUnits)) if (codes.includes(currency)) return +decimals;
  return 2;
}

/** Every currency code there is. `Intl` would format any three letters, so the known ones are asked for. */
export const currencies = (): readonly string[] =>
  (known ??= [...Intl.supportedValuesOf('currency'), ...funds].filter(
    (code, i, all) => all.indexOf(code) === i,
  ));
let known: readonly string[] | undefined;

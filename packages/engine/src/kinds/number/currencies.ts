/** ISO 4217 codes (list one) of funds and units of account, which `Intl` formats but does not list. */
const funds = ['BOV', 'CHE', 'CHW', 'CLF', 'COU', 'MXV', 'USN', 'UYI', 'UYW', 'XDR'];

/**
 * Minor units of ISO 4217 (list one) that are not two. The platform follows cash (forints without decimals),
 * which is not how amounts are kept.
 */
const minorUnits: Readonly<Record<number, string>> = {
  0: 'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF',
  3: 'BHD IQD JOD KWD LYD OMR TND',
  4: 'CLF UYW',
};

/** Number of decimals of a currency (ISO 4217). */
export function decimalsOf(currency: string): number {
  for (const [decimals, codes] of Object.entries(minorUnits)) if (codes.includes(currency)) return +decimals;
  return 2;
}

/** Every currency code. `Intl` would format any three letters, so known codes are listed. */
export const currencies = (): readonly string[] =>
  (known ??= [...Intl.supportedValuesOf('currency'), ...funds].filter(
    (code, i, all) => all.indexOf(code) === i,
  ));
let known: readonly string[] | undefined;

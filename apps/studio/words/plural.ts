const rules = new Intl.PluralRules('en');

/**
 * One of two texts by the plural form of a count.
 *
 * @example
 * plural(1, '1 field', '3 fields'); // '1 field'
 */
export const plural = (count: number, one: string, other: string): string =>
  rules.select(count) === 'one' ? one : other;

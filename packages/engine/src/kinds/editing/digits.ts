/**
 * The ten digits of a locale from zero, '' where they are ASCII. So they are where a digit takes more than
 * one UTF-16 unit (Adlam, Chakma) or is no decimal digit (hanidec): these are typed and shown in ASCII.
 */
export function digitsOf(locale: string): string {
  const digits = new Intl.NumberFormat(locale, { useGrouping: false }).format(9876543210);
  const own = [...digits].reverse().join('');
  return own.length === 10 && /^\p{Nd}{10}$/u.test(own) && own !== '0123456789' ? own : '';
}

/** The locale with ASCII digits where its own cannot be had; elsewhere as it is. */
export const withDigits = (locale: string): string =>
  digitsOf(locale) ? locale : new Intl.Locale(locale, { numberingSystem: 'latn' }).toString();

import { intl } from '../../values/intl.ts';

/**
 * The ten digits of a locale from zero; empty for ASCII, and for digits of more than one UTF-16 unit (Adlam,
 * Chakma) or that are no decimal digits (hanidec).
 */
export function digitsOf(locale: string): string {
  const digits = intl(Intl.NumberFormat, locale, { useGrouping: false }).format(9876543210);
  const own = [...digits].reverse().join('');
  return own.length === 10 && /^\p{Nd}{10}$/u.test(own) && own !== '0123456789' ? own : '';
}

/** The locale with ASCII digits if its own cannot be used. */
export const withDigits = (locale: string): string =>
  digitsOf(locale) ? locale : new Intl.Locale(locale, { numberingSystem: 'latn' }).toString();

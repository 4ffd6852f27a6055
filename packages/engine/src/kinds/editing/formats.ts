/** The locale with the Gregorian calendar, whatever calendar people there use besides. */
export const gregorian = (locale: string): string =>
  new Intl.Locale(locale, { calendar: 'gregory' }).toString();

/** A moment to ask `Intl` about, in UTC. */
export const utc = (year: number, month: number, day: number, hour = 0, minute = 0): Date =>
  new Date(Date.UTC(year, month - 1, day, hour, minute, 5));

/** `format` writes a plain space where `formatToParts` has a narrow one; this goes by `format`. */
export const plain = (text: string): string => text.replaceAll('\u202f', ' ');

/** The words of a text, in small letters. */
export const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{M}]+/gu) ?? [];

/** The locale with the Gregorian calendar. */
export const gregorian = (locale: string): string =>
  new Intl.Locale(locale, { calendar: 'gregory' }).toString();

/** A moment in UTC to ask `Intl` about. */
export const utc = (year: number, month: number, day: number, hour = 0, minute = 0): Date =>
  new Date(Date.UTC(year, month - 1, day, hour, minute, 5));

/** A plain space in place of a narrow one: `format` and `formatToParts` differ there. */
export const plain = (text: string): string => text.replaceAll('\u202f', ' ');

/** The words of a text in lower case. */
export const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{M}]+/gu) ?? [];

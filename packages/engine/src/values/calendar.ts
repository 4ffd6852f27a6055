/**
 * The proleptic Gregorian calendar (ISO 8601), years 1 to 9999, without time zones. Dates are texts
 * `2027-02-14`, so that they can be compared as texts.
 */

export const isLeap = (year: number): boolean => year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);

/**
 * The number of days of a month; months count from 1.
 *
 * @example
 * daysIn(2028, 2); // 29
 */
export const daysIn = (year: number, month: number): number =>
  month === 2
    ? isLeap(year)
      ? 29
      : 28
    : month === 4 || month === 6 || month === 9 || month === 11
      ? 30
      : 31;

const two = (n: number): string => (n < 10 ? `0${n}` : `${n}`);

/**
 * Year, month and day as a date (ISO 8601).
 *
 * @example
 * iso(2027, 2, 10); // '2027-02-10'
 */
export const iso = (year: number, month: number, day: number): string =>
  `${`${year}`.padStart(4, '0')}-${two(month)}-${two(day)}`;

/**
 * Year, month and day of a date (ISO 8601).
 *
 * @example
 * fieldsOf('2027-02-10'); // [2027, 2, 10]
 */
export const fieldsOf = (date: string): [year: number, month: number, day: number] => [
  +date.slice(0, 4),
  +date.slice(5, 7),
  +date.slice(8, 10),
];

/** Days since 0000-03-01. Years begin in March, so that the leap day is their last. */
function dayNumber(date: string): number {
  const [y, m, d] = fieldsOf(date);
  const year = m < 3 ? y - 1 : y;
  const month = (m + 9) % 12;
  return (
    year * 365 +
    Math.floor(year / 4) -
    Math.floor(year / 100) +
    Math.floor(year / 400) +
    Math.floor((month * 306 + 5) / 10) +
    d -
    1
  );
}

function dateOf(days: number): string {
  let year = Math.floor((days * 10_000 + 14_780) / 3_652_425);
  const first = (y: number) => 365 * y + Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400);
  if (days < first(year)) year--;
  const rest = days - first(year);
  const month = Math.floor((100 * rest + 52) / 3060);
  const day = rest - Math.floor((month * 306 + 5) / 10) + 1;
  return iso(year + (month > 9 ? 1 : 0), ((month + 2) % 12) + 1, day);
}

/**
 * The date `days` later; earlier for a negative number (ISO 8601).
 *
 * @example
 * addDays('2027-02-28', 1); // '2027-03-01'
 */
export const addDays = (date: string, days: number): string => dateOf(dayNumber(date) + days);

/**
 * The date `months` later. A day that the month does not have becomes its last day. The result stays within
 * the years 0001 to 9999.
 *
 * @example
 * addMonths('2027-01-31', 1); // '2027-02-28'
 */
export function addMonths(date: string, months: number): string {
  const [y, m, d] = fieldsOf(date);
  const total = y * 12 + m - 1 + months;
  const year = Math.floor(total / 12);
  if (year > 9999) return '9999-12-31';
  if (year < 1) return '0001-01-01';
  const month = (total % 12) + 1;
  return iso(year, month, Math.min(d, daysIn(year, month)));
}

export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);

/**
 * The weekday of a date: 0 is Monday, 6 is Sunday.
 *
 * @example
 * weekday('2027-02-10'); // 2
 */
export const weekday = (date: string): number => (dayNumber(date) + 2) % 7;

/**
 * The ISO 8601 week of a date. Weeks begin on Monday; the first contains the first Thursday.
 *
 * @example
 * isoWeek('2027-02-10'); // '2027-W06'
 */
export function isoWeek(date: string): string {
  const thursday = addDays(date, 3 - weekday(date));
  const year = thursday.slice(0, 4);
  return `${year}-W${two(Math.floor(daysBetween(`${year}-01-01`, thursday) / 7) + 1)}`;
}

const limit = /^today(?:([+-])(\d{1,4})([dwmy]))?$/;

/**
 * A limit as a date. `text` is an ISO 8601 date or relative to `today`: `today`, `today+18m`, `today-16y`.
 * `undefined` for anything else, and for a relative limit if `today` is empty.
 *
 * @example
 * resolve('today+1m', '2027-02-10'); // '2027-03-10'
 */
export function resolve(text: string, today: string): string | undefined {
  const match = limit.exec(text);
  if (!match) return isDate(text) ? text : undefined;
  if (!today) return undefined;
  const [, sign, count = '0', unit] = match;
  const by = sign === '-' ? -count : +count;
  if (unit === 'm' || unit === 'y') return addMonths(today, unit === 'y' ? by * 12 : by);
  return by ? addDays(today, unit === 'w' ? by * 7 : by) : today;
}

/**
 * Whether a text is an existing day written as `2027-02-10` (ISO 8601).
 *
 * @example
 * isDate('2027-02-29'); // false
 */
export function isDate(text: string): boolean {
  if (!/^\d{4}-\d\d-\d\d$/.test(text)) return false;
  const [y, m, d] = fieldsOf(text);
  return y > 0 && m > 0 && m < 13 && d > 0 && d <= daysIn(y, m);
}

import { isDate } from '../../values/calendar.ts';
import { fold } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { type Parsed, type PartsBody, padded } from '../editing/parts.ts';
import { hasMonths, hasOwnYears } from './features.ts';
import type { DatePlan } from './plan.ts';

export const century = (plan: DatePlan, text: string): string => (+text < plan.pivot ? '20' : '19') + text;

export function close(plan: DatePlan, part: number, text: string): string {
  if (part === plan.year) return text.length === 2 ? century(plan, text) : text;
  return padded(plan, part, text);
}

export const isMonth = (plan: DatePlan): boolean => hasMonths && plan.day < 0;

/** The day of a date; a month counts as its first one. */
export const dayOf = (plan: DatePlan, texts: readonly string[]): string =>
  isMonth(plan) ? '01' : itemAt(texts, plan.day);

/** Year, month and day, or year and month, in the plan's order. */
export const ordered = (plan: DatePlan, year: string, month: string, day: string): string[] => {
  const texts = plan.parts.map(() => '');
  texts[plan.year] = year.length === 2 ? century(plan, year) : year.padStart(4, '0');
  texts[plan.month] = month.padStart(2, '0');
  if (!isMonth(plan)) texts[plan.day] = day.padStart(2, '0');
  return texts;
};

const digitsAndLetters = (text: string): string => text.replace(/[^\p{L}\p{N}]/gu, '');

/**
 * Reads a whole text as a date, or as a month of a year where the plan has no day: ISO 8601, three numbers,
 * words for the month. `undefined` for what is not certainly one.
 *
 * @example
 * const read = (plan: DatePlan) => readDate(plan, '14 February 2027');
 */
export function readDate(plan: DatePlan, given: string): Parsed | undefined {
  if (given.length > 200) return undefined;
  const text = [...given].map(fold).join('').trim();
  if (isMonth(plan)) return parseMonth(plan, text, given.trim());
  const stamp = stampOf(text);
  if (stamp && isDate(stamp[0].slice(0, 10)))
    return {
      texts: ordered(plan, itemAt(stamp, 1), itemAt(stamp, 2), itemAt(stamp, 3)),
      leftOut: digitsAndLetters(itemAt(stamp, 4)),
    };
  return ours(
    plan,
    text,
    named(plan, text) ?? amongWords(plan, withoutWords(plan, text)) ?? compact(plan, text),
  );
}

/** A date in ISO 8601, with or without a time behind it. */
const stampOf = (text: string): RegExpExecArray | null =>
  /^(\d{4})-(\d\d)-(\d\d)(?=$|[T\s])(.*)$/su.exec(text);

/** What was read, unless its year may be of another calendar. */
const ours = (plan: DatePlan, text: string, read: Parsed | undefined): Parsed | undefined =>
  read && (!hasOwnYears || plan.gregorian || isOurYear(plan, read, text)) ? read : undefined;

/**
 * Reads a month of a year: `2027-02`, `02/2027`, `Feb 27`, `2027年2月`. Of a date in ISO 8601 the day is left
 * out and reported; another date is refused, because its order would be a guess.
 */
function parseMonth(plan: DatePlan, text: string, given: string): Parsed | undefined {
  const stamp = stampOf(text);
  if (stamp && isDate(stamp[0].slice(0, 10)))
    return {
      texts: ordered(plan, itemAt(stamp, 1), itemAt(stamp, 2), ''),
      leftOut: digitsAndLetters(itemAt(stamp, 3) + itemAt(stamp, 4)),
    };
  // In digits of its own a locale may write the year of another calendar like that.
  if (/^\d{4}-\d\d$/.test(given) && isDate(`${text}-01`))
    return { texts: ordered(plan, text.slice(0, 4), text.slice(5), ''), leftOut: '' };
  return ours(plan, text, namedMonth(plan, text) ?? amongWords(plan, withoutWords(plan, text), numericMonth));
}

/** Whether two numbers can be a year, of four or two digits, and a month. */
const isYearAndMonth = (year: string, month: string): boolean =>
  (year.length === 2 || (year.length === 4 && +year > 0)) && +month > 0 && +month < 13;

/** A month of two numbers with a separator, or of six digits in ISO 8601 that are none as typed. */
function numericMonth(plan: DatePlan, text: string): Parsed | undefined {
  const match = /^[^\p{L}\d]*(\d{1,4})[^\p{L}\d]+(\d{1,4})[^\p{L}\d]*$/u.exec(text);
  if (!match) {
    const isOwn = plan.year === 0 || isYearAndMonth(text.slice(2), text.slice(0, 2));
    const [year, month] = [text.slice(0, 4), text.slice(4)];
    return /^\d{6}$/.test(text) && !isOwn && isYearAndMonth(year, month)
      ? { texts: ordered(plan, year, month, ''), leftOut: '', assumed: 'order' }
      : undefined;
  }
  const found = match.slice(1);
  // Another order than the field's is only certain where four digits say which number is the year.
  const isSaid = found.some(({ length }) => length === 4);
  for (const year of isSaid ? [plan.year, plan.month] : [plan.year]) {
    const [y, m] = [itemAt(found, year), itemAt(found, 1 - year)];
    if (m.length > 2 || !isYearAndMonth(y, m)) continue;
    const texts = ordered(plan, y, m, '');
    return year === plan.year || year === 0
      ? { texts, leftOut: '' }
      : { texts, leftOut: '', assumed: 'order' };
  }
  return undefined;
}

/** A month as a word with its year. */
function namedMonth(plan: DatePlan, text: string): Parsed | undefined {
  const lower = text.toLowerCase();
  const [month, name] = monthIn(plan, lower);
  const [year = '', ...more] = text.match(/\d+/g) ?? [];
  if (month < 0 || more.length || !isYearAndMonth(year, `${month + 1}`)) return undefined;
  const words = unspacedOut(plan, lower.replace(name, ' ')).match(/[\p{L}\p{M}]+/gu) ?? [];
  return {
    texts: ordered(plan, year, `${month + 1}`, ''),
    leftOut: words.filter((word) => !plan.words.includes(word)).join(''),
  };
}

/** Whether a four-digit year is close enough to ours to be Gregorian in any locale. */
export function isOurYear(plan: DatePlan, { texts }: Parsed | PartsBody, text: string): boolean {
  const year = itemAt(texts, plan.year);
  return text.includes(year) && +year >= 1850 && +year <= 2250;
}

/** Scripts without spaces between words. */
const unspaced = /[\u0e00-\u0e7f\u3040-\u30ff\u3400-\u9fff\uac00-\ud7af]/;

const unspacedOut = (plan: DatePlan, text: string): string =>
  plan.words
    .filter((word) => word.length > 1 && unspaced.test(word))
    .reduce((rest, word) => rest.replaceAll(word, ' '), text);

/**
 * The text without words that the locale's dates contain; signs for year, month and day become separators.
 */
const withoutWords = (plan: DatePlan, text: string): string =>
  unspacedOut(plan, text)
    .replace(/[年月日년월일]/g, '/')
    .replace(/[\p{L}\p{M}]+\.?/gu, (word) =>
      plan.words.includes(word.toLowerCase().replace('.', '')) ? ' ' : word,
    );

/** A date of numbers, with other words only before and after it: they are reported. */
function amongWords(
  plan: DatePlan,
  text: string,
  read: (plan: DatePlan, text: string) => Parsed | undefined = numeric,
): Parsed | undefined {
  const match = /^((?:\D*[^\p{L}\p{M}\d])?)(\d.*\d)((?:[^\p{L}\p{M}\d]\D*)?)$/su.exec(text);
  const found = read(plan, match ? itemAt(match, 2) : text);
  if (!found || !match) return found;
  return { ...found, leftOut: digitsAndLetters(itemAt(match, 1) + itemAt(match, 3)) };
}

/**
 * A date of three numbers with separators, in the plan's order; a four-digit number in front means year,
 * month, day.
 */
function numeric(plan: DatePlan, text: string): Parsed | undefined {
  const match = /^[^\p{L}\d]*(\d{1,4})[^\p{L}\d]+(\d{1,2})[^\p{L}\d]+(\d{1,4})[^\p{L}\d]*$/u.exec(text);
  if (!match) return undefined;
  const found = match.slice(1) as [string, string, string];
  const own: [number, number, number] = [plan.year, plan.month, plan.day];
  // Another order than the field's is only certain where four digits say which number is the year.
  const isSaid = found[0].length === 4 || found[2].length === 4;
  const orders: [number, number, number][] = isSaid ? [own, [0, 1, 2], [2, 1, 0], [2, 0, 1]] : [own];
  for (const order of found[0].length > 2 ? [[0, 1, 2] as const] : orders) {
    const [y, m, d] = order.map((i) => itemAt(found, i));
    if (!y || !m || !d || m.length > 2 || d.length > 2 || y.length === 3 || y.length === 1) continue;
    const texts = ordered(plan, y, m, d);
    if (!isDate(`${texts[plan.year]}-${texts[plan.month]}-${texts[plan.day]}`)) continue;
    return order === own || found[0].length > 2
      ? { texts, leftOut: '' }
      : { texts, leftOut: '', assumed: 'order' };
  }
  return undefined;
}

/** The month a text names: as a word, or inside one where words take endings or have no spaces. */
function monthIn(plan: DatePlan, text: string): [month: number, name: string] {
  const isWord = (name: string): boolean => {
    const at = text.indexOf(name);
    const letter = /[\p{L}\p{M}]/u;
    return at >= 0 && !letter.test(text[at - 1] ?? ' ') && !letter.test(text[at + name.length] ?? ' ');
  };
  let best: [number, string] = [-1, ''];
  // Names of two months, or one that is also a weekday: it is unclear which is meant.
  const named = plan.months.filter((names) => names.some(isWord));
  if (named.length > 1) return best;
  for (const fits of [isWord, (name: string) => name.length > 2 && text.includes(name)]) {
    for (const [month, names] of plan.months.entries())
      for (const name of names) if (name.length > best[1].length && fits(name)) best = [month, name];
    if (best[0] >= 0) break;
  }
  return best;
}

/** Reads a date with the month as a word, in any order: `14 February 2027`, `Feb 14, 2027`. */
function named(plan: DatePlan, text: string): Parsed | undefined {
  const lower = text.toLowerCase();
  const [month, name] = monthIn(plan, lower);
  if (month < 0) return undefined;
  const words = unspacedOut(plan, lower.replace(name, ' ')).match(/[\p{L}\p{M}]+/gu) ?? [];
  const numbers = text.match(/\d+/g) ?? [];
  const [first = '', second = ''] = numbers;
  // With a two-digit year the order is the field's, unless only one of them can be a day.
  const isYearFirst = plan.year < plan.day ? +second <= 31 : +first > 31;
  const year = numbers.find((n) => n.length === 4) ?? (isYearFirst ? first : second);
  const day =
    numbers.find((n, i) => n.length < 3 && (year.length === 4 || i === (isYearFirst ? 1 : 0))) ?? '';
  const texts = ordered(plan, year || '0', String(month + 1), day || '0');
  if (
    !day ||
    !(year.length === 4 || year.length === 2) ||
    !isDate(`${texts[plan.year]}-${texts[plan.month]}-${texts[plan.day]}`)
  )
    return undefined;
  const other = words.filter((word) => !plan.words.includes(word));
  const used = [year, day];
  const spare = numbers.filter((n) => {
    const at = used.indexOf(n);
    if (at >= 0) used.splice(at, 1);
    return at < 0;
  });
  return { texts, leftOut: [...other, ...spare].join('') };
}

/** Eight digits that are a date in ISO 8601 and not as they would be typed. */
function compact(plan: DatePlan, text: string): Parsed | undefined {
  if (!/^\d{8}$/.test(text)) return undefined;
  const own = plan.parts.map((_, i) => {
    const from = plan.parts.slice(0, i).reduce((sum, { size }) => sum + size, 0);
    return text.slice(from, from + itemAt(plan.parts, i).size);
  });
  if (isDate(`${own[plan.year]}-${own[plan.month]}-${own[plan.day]}`)) return undefined;
  const [y, m, d] = [text.slice(0, 4), text.slice(4, 6), text.slice(6)];
  return isDate(`${y}-${m}-${d}`)
    ? { texts: ordered(plan, y, m, d), leftOut: '', assumed: 'order' }
    : undefined;
}

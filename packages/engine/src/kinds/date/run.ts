import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { CheckContext } from '../../rules/checks.ts';
import { type Finding, incomplete, passed, type Verdict } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { daysIn, isDate, isLeap, iso, isoWeek, resolve, weekday } from '../../values/calendar.ts';
import { fold, localized } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import {
  closeAll,
  isFull,
  layParts,
  type Parsed,
  type PartsBody,
  type PartsPlan,
  padded,
} from '../editing/parts.ts';
import { partsKind } from '../editing/parts-editing.ts';
import { hasOwnYears, hasRange, hasResting } from './features.ts';

/** A date, ready to run: its parts in order, and its resting text. */
export interface DatePlan extends PartsPlan {
  readonly kind: 'date';
  /** Index of the day in the parts. */
  readonly day: number;
  readonly month: number;
  readonly year: number;
  /** Two-digit years below it are in this century, the others in the last. */
  readonly pivot: number;
  /**
   * The resting text per month, with `{d}` or `{dd}` for the day, `{y}` for the year and `{w}` for the
   * weekday; empty if it is as typed.
   */
  readonly resting: readonly string[];
  /** Weekdays in the resting text, Monday first. */
  readonly weekdays: readonly string[];
  /** Names of each month in a paste, in lower case. */
  readonly months: readonly (readonly string[])[];
  /** Whether years are Gregorian. If not, a pasted year is read only where it is unambiguous. */
  readonly gregorian: boolean;
  /** Other words of the locale's dates in a paste, such as weekdays, in lower case. */
  readonly words: readonly string[];
}

const lay = (plan: DatePlan, texts: readonly string[]): PartsBody => layParts(plan, texts);

const century = (plan: DatePlan, text: string): string => (+text < plan.pivot ? '20' : '19') + text;

function close(plan: DatePlan, part: number, text: string): string {
  if (part === plan.year) return text.length === 2 ? century(plan, text) : text;
  return padded(plan, part, text);
}

/** The three parts in the plan's order. */
const ordered = (plan: DatePlan, year: string, month: string, day: string): string[] => {
  const texts = ['', '', ''];
  texts[plan.year] = year.length === 2 ? century(plan, year) : year.padStart(4, '0');
  texts[plan.month] = month.padStart(2, '0');
  texts[plan.day] = day.padStart(2, '0');
  return texts;
};

const digitsAndLetters = (text: string): string => text.replace(/[^\p{L}\p{N}]/gu, '');

function parse(plan: DatePlan, given: string): Parsed | undefined {
  if (given.length > 200) return undefined;
  const text = [...given].map(fold).join('').trim();
  const stamp = /^(\d{4})-(\d\d)-(\d\d)(?=$|[T\s])(.*)$/su.exec(text);
  if (stamp && isDate(stamp[0].slice(0, 10)))
    return {
      texts: ordered(plan, itemAt(stamp, 1), itemAt(stamp, 2), itemAt(stamp, 3)),
      leftOut: digitsAndLetters(itemAt(stamp, 4)),
    };
  const read = named(plan, text) ?? amongWords(plan, withoutWords(plan, text)) ?? compact(plan, text);
  return read && (!hasOwnYears || plan.gregorian || isOurYear(plan, read, text)) ? read : undefined;
}

/** Whether a four-digit year is close enough to ours to be Gregorian in any locale. */
function isOurYear(plan: DatePlan, { texts }: Parsed | PartsBody, text: string): boolean {
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

/** A date of three numbers, with other words only before and after it: they are reported. */
function amongWords(plan: DatePlan, text: string): Parsed | undefined {
  const match = /^((?:\D*[^\p{L}\p{M}\d])?)(\d.*\d)((?:[^\p{L}\p{M}\d]\D*)?)$/su.exec(text);
  const read = numeric(plan, match ? itemAt(match, 2) : text);
  if (!read || !match) return read;
  return { ...read, leftOut: digitsAndLetters(itemAt(match, 1) + itemAt(match, 3)) };
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

const editing = partsKind<DatePlan, PartsBody>({
  lay,
  parse,
  close,
  isOwn: (plan, body) =>
    !hasOwnYears ||
    plan.gregorian ||
    !body.texts[plan.year] ||
    isOurYear(plan, body, itemAt(body.texts, plan.year)),
  // Digits alone may be the beginning of a date; two groups of them are none.
  isWhole: (text) => /\p{L}/u.test(text) || (text.match(/\d+/g) ?? []).length > 1,
});

/** Numbers that typed digits can still become: themselves, padded, or with more digits. */
function candidates(text: string, high: number): readonly number[] {
  if (text.length === 2) return [+text];
  const all: number[] = [];
  for (let n = 1; n <= high; n++) {
    const two = n < 10 ? `0${n}` : `${n}`;
    if (!text || two.startsWith(text) || `${n}` === text) all.push(n);
  }
  return all;
}

/** First and last year that are still possible. Two digits may also be the end of a year of their century. */
function years(plan: DatePlan, text: string): readonly (readonly [number, number])[] {
  if (text.length === 4) return [[+text, +text]];
  const scale = 10 ** (4 - text.length);
  const spans: [number, number][] = text
    ? [[Math.max(1, +text * scale), +text * scale + scale - 1]]
    : [[1, 9999]];
  if (text.length === 1)
    for (let i = 0; i < 10; i++) spans.push([+century(plan, text + i), +century(plan, text + i)]);
  if (text.length === 2) spans.push([+century(plan, text), +century(plan, text)]);
  return spans;
}

/**
 * What the parts can still become between two dates (ISO 8601, empty for no limit): whether there is a date,
 * and whether one is early enough, late enough, and inside.
 */
function possible(plan: DatePlan, { texts }: PartsBody, min: string, max: string) {
  const spans = years(plan, itemAt(texts, plan.year));
  const days = candidates(itemAt(texts, plan.day), 31);
  const answer = { any: false, notBelow: false, notAbove: false, inside: false };
  for (const month of candidates(itemAt(texts, plan.month), 12))
    for (const day of days)
      for (const [first, last] of spans) {
        const span = within(month, day, first, last);
        if (!span) continue;
        const [early, late] = span;
        answer.any = true;
        if (!min || late >= min) answer.notBelow = true;
        if (!max || early <= max) answer.notAbove = true;
        if (!answer.inside && (!min || late >= min) && (!max || early <= max))
          answer.inside = !hasRange || !min || !max || hasYearInside(month, day, first, last, min, max);
        if (answer.inside) return answer;
      }
  return answer;
}

/** First and last date of a day and month in a span of years; only leap years have 29 February. */
function within(month: number, day: number, first: number, last: number): [string, string] | undefined {
  if (day > daysIn(2000, month)) return undefined;
  if (month !== 2 || day < 29) return [iso(first, month, day), iso(last, month, day)];
  let [from, to] = [first, last];
  while (from <= to && !isLeap(from)) from++;
  while (to >= from && !isLeap(to)) to--;
  return from <= to ? [iso(from, 2, 29), iso(to, 2, 29)] : undefined;
}

function hasYearInside(
  month: number,
  day: number,
  first: number,
  last: number,
  min: string,
  max: string,
): boolean {
  const from = Math.max(first, +min.slice(0, 4));
  const to = Math.min(last, +max.slice(0, 4));
  // In a year strictly between the limits every date is inside; only the two years at the ends need
  // checking.
  for (let year = from; year <= to; year++) {
    if (month === 2 && day === 29 && !isLeap(year)) continue;
    const date = iso(year, month, day);
    if (date >= min && date <= max) return true;
  }
  return false;
}

const isoOf = (plan: DatePlan, { texts }: PartsBody): string =>
  `${texts[plan.year]}-${texts[plan.month]}-${texts[plan.day]}`;

function value(plan: DatePlan, body: PartsBody): string | null {
  if (!body.complete) return null;
  const date = isoOf(plan, body);
  return isDate(date) ? date : null;
}

/** A date as the field shows it without focus. */
function shown(plan: DatePlan, date: string): string {
  const [y, m, d] = date.split('-');
  return toResting(plan, lay(plan, ordered(plan, y!, m!, d!))).display;
}

const noSuchDate: Finding = { verdict: 'fail', code: 'no-such-date', data: {} };

function validate(
  plan: DatePlan,
  body: PartsBody,
  check: Check,
  { today }: CheckContext,
): Finding | undefined {
  if (check.type === 'complete') {
    const day = itemAt(body.texts, plan.day);
    const isImpossible = body.complete
      ? !isDate(isoOf(plan, body))
      : day[0] === '3' || day === '29'
        ? !possible(plan, body, '', '').any
        : false;
    if (isImpossible) return noSuchDate;
    return body.complete ? passed : incomplete;
  }
  if (!hasRange || check.type !== 'range') return undefined;
  const min = check.min ? (resolve(check.min, today) ?? '') : '';
  const max = check.max ? (resolve(check.max, today) ?? '') : '';
  const say = (verdict: Verdict, code: string): Finding => ({
    verdict,
    code,
    data: { min: min && shown(plan, min), max: max && shown(plan, max) },
  });
  const date = value(plan, body);
  if (date !== null) {
    if (min && date < min) return say('fail', 'below-min');
    return max && date > max ? say('fail', 'above-max') : passed;
  }
  const still = possible(plan, body, min, max);
  if (!still.any) return passed;
  if (still.inside) return say('open', min ? 'below-min' : 'above-max');
  return say('fail', min && !still.notBelow ? 'below-min' : max ? 'above-max' : 'below-min');
}

function toResting(plan: DatePlan, body: PartsBody): PartsBody {
  const { texts } = body;
  if (!hasResting) return lay(plan, texts);
  const date = value(plan, body);
  const template = date && plan.resting[+itemAt(texts, plan.month) - 1];
  if (!date || !template) return lay(plan, texts);
  const local = (text: string): string => localized(plan.digits, text);
  const day = itemAt(texts, plan.day);
  const display = template
    .replace('{dd}', local(day))
    .replace('{d}', local(`${+day}`))
    .replace('{y}', local(`${+itemAt(texts, plan.year)}`))
    .replace('{w}', itemAt(plan.weekdays, weekday(date)));
  return { ...body, display };
}

/** The kind `date`: the value is ISO 8601, raw the digits as typed. */
export const date: Kind<DatePlan, PartsBody> = {
  adornments: ['calendar', 'part-labels'],
  ...editing,
  raw: (_, body) => body.content,
  value,
  hasRoom: (_, body) => !body.complete,
  reduce: reduceResting,
  normalizeOnBlur: (plan, body) => closeAll(plan, body, close, lay),
  toResting,
  toEditing: (plan, body) => lay(plan, body.texts),
  step(plan, body, caret, by) {
    // A two-digit year is completed before anything steps: 84 and down is 1983, not the year 83.
    const full = closeAll(
      plan,
      body,
      (_, part, text) => (part === plan.year ? close(plan, part, text) : text),
      lay,
    );
    const at = caret > itemAt(body.at, plan.year) ? caret + full.display.length - body.display.length : caret;
    const stepped = editing.stepped(plan, full, at, by, (part) => {
      if (part === plan.year) return plan.pivot > 0 ? 2000 : 1900;
      return by > 0 ? 1 : itemAt(plan.parts, part).high;
    });
    const { texts } = stepped.body;
    const [y, m, d] = [plan.year, plan.month, plan.day].map((part) => itemAt(texts, part));
    // The day is limited to the length of the month, whichever part was stepped.
    if (!d || !m || d.length < 2 || m.length < 2) return stepped;
    const most = daysIn(isFull(itemAt(plan.parts, plan.year), y!) ? +y! : 2000, +m);
    if (+d <= most) return stepped;
    const clamped = lay(
      plan,
      texts.map((text, i) => (i === plan.day ? `${most}` : text)),
    );
    return { body: clamped, caret: stepped.caret };
  },
  validate,
  facts(plan, body) {
    const date = value(plan, body);
    return date ? { weekday: itemAt(plan.weekdays, weekday(date)), week: isoWeek(date) } : {};
  },
};

import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { CheckContext } from '../../rules/checks.ts';
import { type Finding, incomplete, passed, type Verdict } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { daysIn, isDate, isLeap, iso, isoWeek, resolve, weekday } from '../../values/calendar.ts';
import { localized } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { made } from '../../values/made.ts';
import { closeAll, layParts, type PartsBody } from '../editing/parts.ts';
import { partsKind } from '../editing/parts-editing.ts';
import { hasOwnYears, hasRange, hasResting } from './features.ts';
import type { DatePlan } from './plan.ts';
import { century, close, dayOf, isMonth, isOurYear, ordered, readDate } from './read-date.ts';
import { stepDate } from './step.ts';

export type { DatePlan } from './plan.ts';

const lay = (plan: DatePlan, texts: readonly string[]): PartsBody => layParts(plan, texts);

/** Whether a text that looks like the field's display is certainly in its calendar. */
export const isOwnDate = (plan: DatePlan, body: PartsBody): boolean =>
  !hasOwnYears ||
  plan.gregorian ||
  !body.texts[plan.year] ||
  isOurYear(plan, body, itemAt(body.texts, plan.year));

const editing = /*#__PURE__*/ partsKind<DatePlan, PartsBody>({
  lay,
  parse: readDate,
  close,
  isOwn: isOwnDate,
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
export function possible(plan: DatePlan, { texts }: PartsBody, min: string, max: string) {
  const spans = years(plan, itemAt(texts, plan.year));
  const days = isMonth(plan) ? [1] : candidates(itemAt(texts, plan.day), 31);
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

export const isoOf = (plan: DatePlan, { texts }: PartsBody): string =>
  `${texts[plan.year]}-${texts[plan.month]}-${dayOf(plan, texts)}`;

/** The date of a value: of a month its first day. */
export function dateIn(plan: DatePlan, body: PartsBody): string | null {
  if (!body.complete) return null;
  const date = isoOf(plan, body);
  return isDate(date) ? date : null;
}

function value(plan: DatePlan, body: PartsBody): string | null {
  const date = dateIn(plan, body);
  return date && isMonth(plan) ? date.slice(0, 7) : date;
}

/** A limit as a date: of a month its first day. Empty for no limit. */
function limitOf(plan: DatePlan, limit: string | undefined, today: string): string {
  if (!limit) return '';
  if (!isMonth(plan)) return resolve(limit, today) ?? '';
  const date = resolve(limit.length === 7 ? `${limit}-01` : limit, today);
  return date ? `${date.slice(0, 7)}-01` : '';
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
    const day = dayOf(plan, body.texts);
    const isImpossible = body.complete
      ? !isDate(isoOf(plan, body))
      : day[0] === '3' || day === '29'
        ? !possible(plan, body, '', '').any
        : false;
    if (isImpossible) return noSuchDate;
    return body.complete ? passed : incomplete;
  }
  if (!hasRange || check.type !== 'range') return undefined;
  const [min, max] = [limitOf(plan, check.min, today), limitOf(plan, check.max, today)];
  const say = (verdict: Verdict, code: string): Finding => ({
    verdict,
    code,
    data: { min: min && shown(plan, min), max: max && shown(plan, max) },
  });
  const date = dateIn(plan, body);
  if (date !== null) {
    if (min && date < min) return say('fail', 'below-min');
    return max && date > max ? say('fail', 'above-max') : passed;
  }
  const still = possible(plan, body, min, max);
  if (!still.any) return passed;
  if (still.inside) return say('open', min ? 'below-min' : 'above-max');
  return say('fail', min && !still.notBelow ? 'below-min' : max ? 'above-max' : 'below-min');
}

export function toResting(plan: DatePlan, body: PartsBody): PartsBody {
  const { texts } = body;
  if (!hasResting) return lay(plan, texts);
  const date = dateIn(plan, body);
  const template = date && plan.resting[+itemAt(texts, plan.month) - 1];
  if (!date || !template) return lay(plan, texts);
  const local = (text: string): string => localized(plan.digits, text);
  const day = dayOf(plan, texts);
  const display = template
    .replace('{dd}', local(day))
    .replace('{d}', local(`${+day}`))
    .replace('{y}', local(`${+itemAt(texts, plan.year)}`))
    .replace('{w}', itemAt(plan.weekdays, weekday(date)));
  return { ...body, display };
}

/** The kind `date`: the value is ISO 8601 (`2027-02-14`; `2027-02` for a month), raw the digits as typed. */
export const date: Kind<DatePlan, PartsBody> = /*#__PURE__*/ made(
  (): Kind<DatePlan, PartsBody> => ({
    adornments: ({ day }) => (day < 0 ? ['part-labels'] : ['calendar', 'part-labels']),
    ...editing,
    raw: (_, body) => body.content,
    value,
    hasRoom: (_, body) => !body.complete,
    reduce: reduceResting,
    normalizeOnBlur: (plan, body) => closeAll(plan, body, close, lay),
    toResting,
    toEditing: (plan, body) => lay(plan, body.texts),
    step: (plan, body, caret, by) =>
      stepDate({ lay, close, stepped: editing.stepped }, plan, body, caret, by),
    validate,
    facts(plan, body) {
      const date = isMonth(plan) ? null : value(plan, body);
      return date ? { weekday: itemAt(plan.weekdays, weekday(date)), week: isoWeek(date) } : {};
    },
  }),
);

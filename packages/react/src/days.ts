import type { FieldState, HydratedField } from '@arbeit/engine/field';
import { apply, evaluate, start, toMessage } from '@arbeit/engine/field';
import { addDays, addMonths, daysIn, fieldsOf, iso, isoWeek, weekday } from '@arbeit/engine/values';

/** A day of a month, and why it cannot be picked. */
export interface Day {
  readonly date: string;
  readonly isOutside: boolean;
  /** The message of a rule against the day; empty if there is none. */
  readonly problem: string;
}

/** A week of a month. */
export interface Week {
  /** A week (ISO 8601), `2027-W06`. */
  readonly week: string;
  readonly days: readonly Day[];
}

/**
 * The message of the first error a field would show for a day; empty if it takes the day.
 *
 * @example
 * const reason = problemWith(arrival, '2027-02-10', '2027-02-10');
 */
export function problemWith(field: HydratedField, date: string, today: string | undefined): string {
  const empty = start({ ...field, initial: '' });
  const state = apply(field, empty, { type: 'set', text: withDay(field, empty, date) });
  const { findings } = evaluate(field, state, today);
  // Of a field that contains more than a day, the rest is still open.
  const at = field.rules.findIndex(
    ({ severity }, i) => severity === 'error' && findings[i]?.verdict === 'fail',
  );
  return at < 0 ? '' : toMessage(field, field.rules[at]!, findings[at]!).message;
}

/** The text that sets a day in a field; whatever else the field contains stays. */
export const withDay = ({ kind, plan }: HydratedField, { body }: FieldState, date: string): string =>
  kind.withDay?.(plan, body, date) ?? date;

/**
 * The weeks of the month that contains `day`, Monday first, filled with days of the months beside it.
 *
 * @example
 * const rows: number = weeksOf(arrival, '2027-02-10', '2027-02-10').length;
 */
export function weeksOf(field: HydratedField, day: string, today: string | undefined): readonly Week[] {
  const [year, month] = fieldsOf(day);
  const first = iso(year, month, 1);
  const last = iso(year, month, daysIn(year, month));
  const weeks: Week[] = [];
  for (let monday = addDays(first, -weekday(first)); monday <= last; monday = addDays(monday, 7)) {
    const days = Array.from({ length: 7 }, (_, i) => {
      const date = addDays(monday, i);
      return { date, isOutside: date < first || date > last, problem: problemWith(field, date, today) };
    });
    weeks.push({ week: isoWeek(monday), days });
  }
  return weeks;
}

/** Most days, then most months, that are looked at in either direction for one that may be picked. */
const nearDays = 400;
const farMonths = 1800;

/**
 * The day nearest to `today` that a field's rules accept, the later of two; `today` if none was found nearby
 * (400 days, then the first and last days of months within 150 years).
 *
 * @example
 * const first = openDay(arrival, '2027-02-10', '2027-02-10');
 */
export function openDay(field: HydratedField, near: string, today: string | undefined): string {
  const isOpen = (date: string): boolean =>
    date >= '0001-01-01' && date <= '9999-12-31' && problemWith(field, date, today) === '';
  const nearest = (from: string, most: number): string | undefined => {
    for (let n = 0; n <= most; n++)
      for (const date of [addDays(from, n), addDays(from, -n)]) if (isOpen(date)) return date;
    return undefined;
  };
  const found = nearest(near, nearDays);
  if (found !== undefined) return found;
  for (let n = 1; n <= farMonths; n++)
    for (const by of [n, -n]) {
      const [year, month] = fieldsOf(addMonths(near, by));
      if (year < 1 || year > 9999) continue;
      const ends = [iso(year, month, 1), iso(year, month, daysIn(year, month))];
      // Of a month that is partly open, the end nearer to the start may be closed.
      if (ends.some(isOpen)) return nearest(by > 0 ? ends[0]! : ends[1]!, 31) ?? near;
    }
  return near;
}

/**
 * The day that a key leads to from `day` (WAI-ARIA, date grid): days, weeks, months, years; `undefined` for
 * other keys.
 *
 * @example
 * dayAfterKey('2027-02-10', 'ArrowDown', false); // '2027-02-17'
 */
export function dayAfterKey(day: string, key: string, isShifted: boolean): string | undefined {
  switch (key) {
    case 'ArrowLeft':
      return addDays(day, -1);
    case 'ArrowRight':
      return addDays(day, 1);
    case 'ArrowUp':
      return addDays(day, -7);
    case 'ArrowDown':
      return addDays(day, 7);
    case 'Home':
      return addDays(day, -weekday(day));
    case 'End':
      return addDays(day, 6 - weekday(day));
    case 'PageUp':
      return addMonths(day, isShifted ? -12 : -1);
    case 'PageDown':
      return addMonths(day, isShifted ? 12 : 1);
    default:
      return undefined;
  }
}

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

/**
 * The text that sets a day in a field; whatever else the field contains stays.
 *
 * @example
 * const text: string = withDay(arrival, start(arrival), '2027-02-14');
 */
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

/** How far a day that may be picked is searched, in days one by one, then in years by half years. */
const nearDays = 200;
const farYears = 150;

/**
 * The nearest day to `near` that a field's rules accept; of two, the later. `near` itself if none is found:
 * every day of the next 200 is tried, then each January and July of 150 years, so that a calendar opens at
 * once whatever the rules are.
 *
 * @example
 * const first = openDay(arrival, '2027-02-10', '2027-02-10');
 */
export function openDay(field: HydratedField, near: string, today: string | undefined): string {
  const isOpen = (date: string): boolean =>
    date >= '0001-01-01' && date <= '9999-12-31' && problemWith(field, date, today) === '';
  for (let n = 0; n <= nearDays; n++)
    for (const date of [addDays(near, n), addDays(near, -n)]) if (isOpen(date)) return date;
  const [year] = fieldsOf(near);
  for (let n = 0; n <= farYears; n++)
    for (const by of [n, -n])
      for (const month of by < 0 ? [7, 1] : [1, 7]) {
        if (year + by < 1 || year + by > 9999) continue;
        const found = iso(year + by, month, 1);
        if (isOpen(found)) return towards(near, found, isOpen);
      }
  return near;
}

/**
 * The open day next to `near` that is reached from an open one through open ones, by months, then by days.
 */
function towards(near: string, from: string, isOpen: (date: string) => boolean): string {
  const way = from > near ? -1 : 1;
  let day = from;
  for (const step of [addMonths, addDays])
    for (let next = step(day, way); isOpen(next); next = step(day, way)) day = next;
  return day;
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

import { fold } from '../../values/graphemes.ts';
import { ordered as orderedDate, readDate } from '../date/read-date.ts';
import type { Parsed } from '../editing/parts.ts';
import { ordered as orderedTime, readTime } from '../time/read-time.ts';
import type { DateTimePlan } from './plan.ts';

/** A local date with time (ISO 8601) to the minute. */
export const momentForm = /^\d{4}-\d\d-\d\dT(?:[01]\d|2[0-3]):[0-5]\d$/;

/** The parts of a date and of a time in the plan's order. */
function joined(plan: DateTimePlan, date: readonly string[], time: readonly string[]): string[] {
  return plan.dateAt === 0 ? [...date, ...time] : [...time, ...date];
}

/** The parts of a moment such as `2027-02-14T16:30`. */
export const partsOf = (plan: DateTimePlan, moment: string): string[] =>
  joined(
    plan,
    orderedDate(plan.date, moment.slice(0, 4), moment.slice(5, 7), moment.slice(8, 10)),
    orderedTime(plan.time, +moment.slice(11, 13), moment.slice(14, 16), '00'),
  );

/** The parts with the date of a day (ISO 8601); those of the time stay. */
export const withDate = (plan: DateTimePlan, texts: readonly string[], day: string): string[] => {
  const date = orderedDate(plan.date, day.slice(0, 4), day.slice(5, 7), day.slice(8, 10));
  return joined(plan, date, texts.slice(plan.timeAt, plan.timeAt + plan.time.parts.length));
};

/** Most places at which a text is divided. Longer texts are refused. */
const mostPlaces = 30;

/**
 * Reads a whole text as a date with a time: ISO 8601, or a date and a time in one of their forms, in either
 * order. The text is divided at each blank; where several divisions can be read and differ, it is refused.
 * `undefined` for what is not certainly one.
 */
export function readDateTime(plan: DateTimePlan, given: string): Parsed | undefined {
  if (given.length > 200) return undefined;
  const text = [...given.replace(/[\s\u202f\u00a0]+/gu, ' ')].map(fold).join('').trim();
  const stamp = /^(\d{4})-?(\d\d)-?(\d\d)[T ](\d\d):?(\d\d)(?!\d)(.*)$/iu.exec(text);
  if (stamp) {
    const [, y, m, d, hour, minute, rest = ''] = stamp;
    return divided(plan, `${y}-${m}-${d}`, `${y}-${m}-${d}T${hour}:${minute}${rest}`, true);
  }
  const places = [...text.matchAll(/[ ,]+/gu)];
  if (places.length > mostPlaces) return undefined;
  let found: Parsed | undefined;
  let isUnclear = false;
  for (const { index, 0: blank } of places) {
    const [one, other] = [text.slice(0, index), text.slice(index + blank.length)];
    for (const read of [divided(plan, one, other), divided(plan, other, one)]) {
      if (!read || (found && found.leftOut.length < read.leftOut.length)) continue;
      // The shortest rest decides; of two with the same, neither is certain.
      const isAlike = found?.leftOut.length === read.leftOut.length;
      isUnclear = isAlike && (isUnclear || found?.texts.join('/') !== read.texts.join('/'));
      found = read;
    }
  }
  return isUnclear ? undefined : found;
}

/** A date and a time that were written apart, if both can be read. `isStamped`: the time has its date too. */
function divided(plan: DateTimePlan, date: string, time: string, isStamped = false): Parsed | undefined {
  // A colon belongs to the time: of `12 01 2027, 7:5` the last two numbers are no month and day.
  const day = /\d:\d/.test(date) ? undefined : readDate(plan.date, date);
  const clock = day && readTime(plan.time, time);
  if (!clock) return undefined;
  // The date of a stamp is left out by the reader of times, although it is read.
  const left = isStamped ? clock.leftOut.replace(/^\d{8}T?/u, '') : clock.leftOut;
  const read = { texts: joined(plan, day.texts, clock.texts), leftOut: day.leftOut + left };
  return day.assumed ? { ...read, assumed: day.assumed } : read;
}

import { type EntryOf, filled, type Options } from '../../options/option.ts';
import { calendarWords } from '../../rules/drawn-words.ts';
import { resolve } from '../../values/calendar.ts';
import { intl } from '../../values/intl.ts';
import type { Definition } from '../contract/definition.ts';
import { dateOptions, planDate } from '../date/define.ts';
import { gregorian, plain, utc } from '../editing/formats.ts';
import { planTime, timeOptions } from '../time/define.ts';
import type { DateTimePlan } from './plan.ts';
import { momentForm } from './read-date-time.ts';

const { order, separator, resting, pivot } = dateOptions;
const options = { order, separator, clock: timeOptions.clock, resting, pivot } as const satisfies Options;

type DateTimeEntry = EntryOf<typeof options>;

/** A limit as a moment on some day, so that limits can be compared; relative ones begin their day. */
const limitOn = (text: string): string | undefined => {
  const day = text.startsWith('today') ? resolve(text, '2027-02-10') : undefined;
  return day ? `${day}T00:00` : momentForm.test(text) && resolve(text.slice(0, 10), '') ? text : undefined;
};

export const dateTime: Definition<typeof options, DateTimePlan> = {
  name: 'date with time',
  direction: 'locale',
  valueIs: 'ISO 8601, local',
  options,
  byLocale: true,
  plan: planDateTime,
  attributes: ({ clock }) => (clock === 12 ? {} : { inputmode: 'numeric' }),
  draws: ({ parts, dateAt }) => [
    ...parts.map(({ name }) => name),
    // Where the time comes first there is no calendar.
    ...(dateAt === 0 ? calendarWords : []),
  ],
  comparable: 'moment',
  limits: {
    isGood: (text) => limitOn(text) !== undefined,
    example: '2027-02-14T16:30',
    fixed: '2027-02-14T16:30',
    hasSteps: false,
    // Relative limits are compared on one fixed date, and not with absolute ones.
    isAbove: (a, b) =>
      a.startsWith('today') === b.startsWith('today') ? limitOn(a)! > limitOn(b)! : undefined,
    begin: 'today',
  },
  pointless: ['length', 'matches', 'checksum', 'not-trivial'],
};

/** Whether a locale writes the time before the date, and the text between them. */
function joining(locale: string): { readonly isTimeFirst: boolean; readonly between: string } {
  const two = '2-digit';
  const format = intl(Intl.DateTimeFormat, gregorian(locale), {
    day: two,
    month: two,
    year: 'numeric',
    hour: two,
    minute: two,
    timeZone: 'UTC',
  });
  const parts = format.formatToParts(utc(2027, 2, 14, 15, 30));
  const isDate = (type: string): boolean => type === 'day' || type === 'month' || type === 'year';
  const isTime = (type: string): boolean => type === 'hour' || type === 'minute' || type === 'dayPeriod';
  const first = parts.findIndex(({ type }) => isDate(type) || isTime(type));
  const isTimeFirst = first >= 0 && isTime(parts[first]!.type);
  const begins = isTimeFirst ? isDate : isTime;
  const at = parts.findIndex(({ type }) => begins(type));
  const literal = plain(parts[at - 1]?.type === 'literal' ? parts[at - 1]!.value : ' ');
  // A word between them would be typed over by nobody; a trailing sign of the date is the date's.
  const between = /\p{L}/u.test(literal) ? ' ' : literal.replace(/^[^\s,،]+/u, '');
  return { isTimeFirst, between: between || ' ' };
}

/** The text between the date and the time of a locale in the style of the resting text. */
function jointOf(locale: string, style: 'medium' | 'long' | 'full'): string {
  const when = utc(2027, 2, 14, 15, 30);
  const write = (options: Intl.DateTimeFormatOptions): string =>
    plain(intl(Intl.DateTimeFormat, gregorian(locale), { ...options, timeZone: 'UTC' }).format(when));
  const [date, time] = [write({ dateStyle: style }), write({ timeStyle: 'short' })];
  const both = write({ dateStyle: style, timeStyle: 'short' });
  const isInOrder = both.startsWith(date) && both.endsWith(time);
  return (isInOrder && both.slice(date.length, both.length - time.length)) || ', ';
}

function planDateTime(entry: DateTimeEntry, { locale }: { readonly locale: string }): DateTimePlan {
  const all = filled(options, entry);
  const date = planDate({ ...all, parts: 'day' }, locale);
  const time = planTime(entry.clock === undefined ? {} : { clock: entry.clock }, locale);
  const { isTimeFirst, between } = joining(locale);
  const [one, other] = isTimeFirst ? [time, date] : [date, time];
  const middle = `${one.between.at(-1)}${between}${other.between[0]}`;
  const dateAt = isTimeFirst ? time.parts.length : 0;
  return {
    kind: 'date-time',
    parts: [...one.parts, ...other.parts],
    between: [...one.between.slice(0, -1), middle, ...other.between.slice(1)],
    digits: date.digits,
    day: date.day + dateAt,
    month: date.month + dateAt,
    year: date.year + dateAt,
    pivot: date.pivot,
    date,
    time,
    dateAt,
    timeAt: isTimeFirst ? 0 : date.parts.length,
    joint: all.resting === 'same' ? '' : jointOf(locale, all.resting),
  };
}

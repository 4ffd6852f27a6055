import type { DatePlan } from '../run/date.ts';
import type { DurationPlan } from '../run/duration.ts';
import type { PartPlan } from '../run/parts.ts';
import type { TimePlan } from '../run/time.ts';
import { digitsOf } from './number.ts';

/** Entry options of kinds `date`, `time` and `duration` as a document writes them. */
export interface DateEntry {
  readonly order?: 'locale' | 'dmy' | 'mdy' | 'ymd';
  readonly separator?: string;
  readonly resting?: 'same' | 'medium' | 'long' | 'full';
  readonly pivot?: number;
}

export interface TimeEntry {
  readonly clock?: 12 | 24;
  readonly seconds?: boolean;
}

export interface DurationEntry {
  readonly units?: readonly ('h' | 'min')[];
  /** The unit of a number typed or pasted without one; minutes where both are shown. */
  readonly bare?: 'h' | 'min';
}

/** The locale with the Gregorian calendar, whatever calendar people there use besides. */
export const gregorian = (locale: string): string =>
  new Intl.Locale(locale, { calendar: 'gregory' }).toString();

const utc = (year: number, month: number, day: number, hour = 0, minute = 0): Date =>
  new Date(Date.UTC(year, month - 1, day, hour, minute, 5));

/** `format` writes a plain space where `formatToParts` has a narrow one; this goes by `format`. */
const plain = (text: string): string => text.replaceAll('\u202f', ' ');

const datePart: Readonly<Record<string, PartPlan>> = {
  day: { name: 'day', size: 2, low: 1, high: 31 },
  month: { name: 'month', size: 2, low: 1, high: 12 },
  year: { name: 'year', size: 4, low: 1, high: 9999 },
};

const letters = { d: 'day', m: 'month', y: 'year' } as const;

/** The order of a date's parts as the locale writes it in digits, with the text between and around. */
function shapeOf(locale: string): { names: string[]; between: string[] } {
  const format = new Intl.DateTimeFormat(gregorian(locale), {
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
    timeZone: 'UTC',
  });
  const names: string[] = [];
  const between = [''];
  for (const { type, value } of format.formatToParts(utc(2027, 2, 14)))
    if (type === 'day' || type === 'month' || type === 'year') {
      names.push(type);
      between.push('');
    } else between[names.length] += plain(value);
  return { names, between };
}

export function planDate(entry: DateEntry, locale: string): DatePlan {
  const own = shapeOf(locale);
  const { order = 'locale', separator, resting = 'same' } = entry;
  const names = order === 'locale' ? own.names : [...order].map((letter) => letters[letter as 'd']);
  const isOwn = names.join() === own.names.join();
  const sign = separator ?? (order === 'ymd' ? '-' : '/');
  const between = separator === undefined && isOwn ? own.between : ['', sign, sign, ''];
  const { templates, weekdays } = restingOf(locale, resting);
  return {
    kind: 'date',
    parts: names.map((name) => datePart[name]!),
    between,
    digits: digitsOf(locale),
    day: names.indexOf('day'),
    month: names.indexOf('month'),
    year: names.indexOf('year'),
    pivot: entry.pivot ?? 50,
    resting: templates,
    weekdays,
    ...namesOf(locale),
  };
}

/** The text at rest as a template for each month: names and the words between them may change with it. */
function restingOf(
  locale: string,
  resting: DateEntry['resting'],
): { templates: string[]; weekdays: string[] } {
  const tag = gregorian(locale);
  const monday = 4;
  const week = (format: Intl.DateTimeFormat): string[] =>
    Array.from({ length: 7 }, (_, i) => {
      const parts = format.formatToParts(utc(2027, 1, monday + i));
      return parts.find(({ type }) => type === 'weekday')?.value ?? '';
    });
  const long = new Intl.DateTimeFormat(tag, { weekday: 'long', timeZone: 'UTC' });
  if (resting === 'same' || resting === undefined) return { templates: [], weekdays: week(long) };
  const format = new Intl.DateTimeFormat(tag, { dateStyle: resting, timeZone: 'UTC' });
  const templates = Array.from({ length: 12 }, (_, i) =>
    format
      .formatToParts(utc(2027, i + 1, 5))
      .map(({ type, value }) => {
        if (type === 'day') return [...value].length > 1 ? '{dd}' : '{d}';
        if (type === 'year') return '{y}';
        return type === 'weekday' ? '{w}' : plain(value);
      })
      .join(''),
  );
  return { templates, weekdays: week(resting === 'full' ? format : long) };
}

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{M}]+/gu) ?? [];

/** The names a pasted date may have for its month, and the other words in it, in the locale and in English. */
function namesOf(locale: string): Pick<DatePlan, 'months' | 'words'> {
  let names = known.get(locale);
  if (!names) {
    names = readNames(locale);
    known.set(locale, names);
  }
  return names;
}

/** Asking `Intl` for all of them takes milliseconds, and a definition is compiled at every change. */
const known = new Map<string, Pick<DatePlan, 'months' | 'words'>>();

function readNames(locale: string): Pick<DatePlan, 'months' | 'words'> {
  const months: Set<string>[] = Array.from({ length: 12 }, () => new Set());
  const words = new Set<string>();
  const styles = ['medium', 'long', 'full'] as const;
  for (const tag of [gregorian(locale), 'en-GB']) {
    const formats = [
      ...styles.map((dateStyle) => new Intl.DateTimeFormat(tag, { dateStyle, timeZone: 'UTC' })),
      new Intl.DateTimeFormat(tag, { month: 'long', timeZone: 'UTC' }),
      new Intl.DateTimeFormat(tag, { month: 'short', timeZone: 'UTC' }),
      new Intl.DateTimeFormat(tag, { weekday: 'short', timeZone: 'UTC' }),
    ];
    for (const format of formats)
      for (let i = 0; i < 19; i++)
        for (const { type, value } of format.formatToParts(utc(2027, Math.min(i + 1, 12), i + 1)))
          if (type === 'month') months[Math.min(i, 11)]!.add(value.toLowerCase().replace(/[.\s׳]+$/u, ''));
          else for (const word of wordsIn(value)) words.add(word);
  }
  // What more than one month is called (a number with `tháng`) names none.
  const count = new Map<string, number>();
  for (const names of months) for (const name of names) count.set(name, (count.get(name) ?? 0) + 1);
  const isName = (name: string) => count.get(name) === 1 && /\p{L}/u.test(name) && !/\d/.test(name);
  for (const name of count.keys()) if (!isName(name)) for (const word of wordsIn(name)) words.add(word);
  return {
    months: months.map((names) => [...names].filter(isName).sort((a, b) => b.length - a.length)),
    words: [...words],
  };
}

export function planTime(entry: TimeEntry, locale: string): TimePlan {
  const probe = new Intl.DateTimeFormat(gregorian(locale), { hour: 'numeric' }).resolvedOptions().hourCycle;
  const clock = entry.clock ?? (probe === 'h12' || probe === 'h11' ? 12 : 24);
  const format = (hour: number) =>
    new Intl.DateTimeFormat(gregorian(locale), {
      hour: '2-digit',
      minute: '2-digit',
      ...(entry.seconds ? { second: '2-digit' } : {}),
      hourCycle: clock === 12 ? 'h12' : 'h23',
      timeZone: 'UTC',
    }).formatToParts(utc(2027, 2, 14, hour, 30));
  const parts: PartPlan[] = [];
  const between = [''];
  const halves = [3, 15].map((hour) =>
    plain(format(hour).find(({ type }) => type === 'dayPeriod')?.value ?? (hour < 12 ? 'AM' : 'PM')),
  );
  for (const { type, value } of format(3)) {
    const part = timePart(type, clock, halves);
    if (part) {
      parts.push(part);
      between.push('');
    } else between[parts.length] += plain(value);
  }
  const index = (name: string) => parts.findIndex((part) => part.name === name);
  return {
    kind: 'time',
    parts,
    between,
    digits: digitsOf(locale),
    hour: index('hour'),
    minute: index('minute'),
    second: index('second'),
    period: index('period'),
  };
}

function timePart(type: string, clock: 12 | 24, words: readonly string[]): PartPlan | undefined {
  switch (type) {
    case 'hour':
      return { name: 'hour', size: 2, low: clock === 12 ? 1 : 0, high: clock === 12 ? 12 : 23 };
    case 'minute':
    case 'second':
      return { name: type, size: 2, low: 0, high: 59 };
    case 'dayPeriod':
      return { name: 'period', size: 2, low: 0, high: 1, words };
    default:
      return undefined;
  }
}

/** Units are written with their symbols (ISO 80000-3), the same in every language. */
export function planDuration(entry: DurationEntry, locale: string): DurationPlan {
  const units = entry.units ?? ['h', 'min'];
  const isHours = (unit: string) => unit === 'h';
  return {
    kind: 'duration',
    parts: units.map((unit) => ({
      name: isHours(unit) ? 'hour' : 'minute',
      size: isHours(unit) ? 3 : 4,
      low: 0,
      high: isHours(unit) ? 999 : 9999,
      ...(isHours(unit) ? { point: true } : {}),
    })),
    between: ['', ...units.map((unit) => ` ${unit}`)],
    digits: digitsOf(locale),
    hour: units.indexOf('h'),
    minute: units.indexOf('min'),
    bare: Math.max(0, units.indexOf(entry.bare ?? 'min')),
    decimal:
      new Intl.NumberFormat(locale).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value ?? '.',
  };
}

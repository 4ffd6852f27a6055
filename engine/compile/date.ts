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

/**
 * The order of a date's parts in the locale's short form, with the text between and around. With two digits a part where
 * that keeps the order: some locales turn it round there.
 */
function shapeOf(locale: string): { names: string[]; between: string[] } {
  const digits = { day: '2-digit', month: '2-digit', year: 'numeric' } as const;
  const shape = (options: Intl.DateTimeFormatOptions) => {
    const format = new Intl.DateTimeFormat(gregorian(locale), { ...options, timeZone: 'UTC' });
    const names: string[] = [];
    const between = [''];
    for (const { type, value } of format.formatToParts(utc(2027, 2, 14)))
      if (type === 'day' || type === 'month' || type === 'year') {
        names.push(type);
        between.push('');
      } else between[names.length] += plain(value);
    return { names, between };
  };
  const full = shape(digits);
  const short = shape({ dateStyle: 'short' });
  const isWhole = short.names.length === 3 && !short.between.some((text) => /\p{L}/u.test(text));
  return short.names.join() === full.names.join() || !isWhole ? full : short;
}

/** Whether people there write years of the Gregorian calendar; elsewhere (th, fa) a pasted year may be another one. */
const isGregorian = (locale: string): boolean =>
  /^(?:gregory|iso8601|japanese)$/.test(new Intl.DateTimeFormat(locale).resolvedOptions().calendar);

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
    gregorian: isGregorian(locale),
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
  const own = [3, 15].map((hour) =>
    plain(
      format(hour)
        .find(({ type }) => type === 'dayPeriod')
        ?.value.trim() ?? '',
    ),
  );
  // Some locales write no half of the day in twelve hours, or the same word for both: then these are told apart in Latin.
  const halves = own[0] && own[1] && own[0] !== own[1] ? own : ['AM', 'PM'];
  for (const { type, value } of format(3)) {
    const part = timePart(type, clock, halves);
    if (part) {
      parts.push(part);
      between.push('');
    } else between[parts.length] += plain(value);
  }
  if (clock === 12 && !parts.some(({ name }) => name === 'period')) {
    parts.push(timePart('dayPeriod', clock, halves)!);
    between[parts.length - 1] += ' ';
    between.push('');
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
    ...wordsOf(locale, halves),
  };
}

/** What a pasted time may have beside its digits. Asking for it takes milliseconds, and a definition is compiled at every change. */
function wordsOf(locale: string, halves: readonly string[]): Pick<TimePlan, 'periods' | 'units'> {
  let words = knownWords.get(locale);
  if (!words) {
    words = readWords(locale);
    knownWords.set(locale, words);
  }
  const own = halves.map((word, half): [string, number] => [word.toLowerCase(), half ? 0xfff000 : 0xfff]);
  return { ...words, periods: [...own, ...words.periods].sort(([a], [b]) => b.length - a.length) };
}

const knownWords = new Map<string, Pick<TimePlan, 'periods' | 'units'>>();

function readWords(locale: string): Pick<TimePlan, 'periods' | 'units'> {
  const periods = new Map<string, number>();
  const units = new Set<string>();
  const tag = gregorian(locale);
  const second = '2-digit';
  const formats = (['h12', 'h23'] as const).flatMap((hourCycle) => [
    new Intl.DateTimeFormat(tag, { hour: 'numeric', minute: '2-digit', hourCycle, timeZone: 'UTC' }),
    new Intl.DateTimeFormat(tag, { hour: '2-digit', minute: '2-digit', second, hourCycle, timeZone: 'UTC' }),
    new Intl.DateTimeFormat(tag, { timeStyle: 'medium', hourCycle, timeZone: 'UTC' }),
  ]);
  formats.push(new Intl.DateTimeFormat(tag, { timeStyle: 'short', timeZone: 'UTC' }));
  for (const format of formats)
    for (let hour = 0; hour < 24; hour++)
      for (const { type, value } of format.formatToParts(utc(2027, 2, 14, hour, 30))) {
        const text = plain(value).toLowerCase();
        if (type === 'dayPeriod' && text.trim())
          periods.set(text.trim(), (periods.get(text.trim()) ?? 0) | (1 << hour));
        else if (type === 'literal') for (const word of wordsIn(text)) units.add(word);
      }
  return { periods: [...periods], units: [...units] };
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

import { type EntryOf, type Options, yesNo } from '../../options/option.ts';
import { intl } from '../../values/intl.ts';
import type { Definition } from '../contract/definition.ts';
import { digitsOf } from '../editing/digits.ts';
import { gregorian, plain, utc, wordsIn } from '../editing/formats.ts';
import type { PartPlan } from '../editing/parts.ts';
import type { TimePlan } from './run.ts';

/** Options of times, also for kinds that have one among others. */
export const timeOptions = {
  clock: {
    is: 'choice',
    label: 'Clock',
    at: ['hour', 'period', 'separator'],
    choices: [
      [12, '12 hours'],
      [24, '24 hours'],
    ],
    otherwise: 'locale default',
  },
  seconds: yesNo('shown', 'hidden', {
    label: 'Seconds',
    at: ['minute', 'second', 'separator'],
    usual: false,
  }),
} as const satisfies Options;

export type TimeEntry = EntryOf<typeof timeOptions>;

export const time: Definition<typeof timeOptions, TimePlan> = {
  name: 'time',
  direction: 'locale',
  valueIs: 'ISO 8601 time',
  options: timeOptions,
  byLocale: true,
  plan: (entry, { locale }) => planTime(entry, locale),
  attributes: ({ clock }) => (clock === 12 ? {} : { inputmode: 'numeric' }),
  draws: ({ parts }) => parts.map(({ name }) => name),
  comparable: 'time',
  limits: {
    isGood: (text) => /^(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?$/.test(text),
    example: '16:30',
    hasSteps: false,
    isAbove: (a, b) => a > b,
    begin: '08:00',
  },
  pointless: ['length', 'matches', 'checksum', 'not-trivial'],
};

export function planTime(entry: TimeEntry, locale: string): TimePlan {
  const probe = intl(Intl.DateTimeFormat, gregorian(locale), { hour: 'numeric' }).resolvedOptions().hourCycle;
  const clock = entry.clock ?? (probe === 'h12' || probe === 'h11' ? 12 : 24);
  const format = (hour: number) =>
    intl(Intl.DateTimeFormat, gregorian(locale), {
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
  // Some locales write no a.m. or p.m. with twelve hours, or the same word for both: then English ones are
  // used.
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

/**
 * The words a pasted time may contain beside its digits. Cached, because `Intl` takes milliseconds and a
 * definition is compiled at every change.
 */
function wordsOf(locale: string, halves: readonly string[]): TimeWords {
  let words = knownWords.get(locale);
  if (!words) {
    words = readWords(locale);
    knownWords.set(locale, words);
  }
  const own = halves.map((word, half): [string, number] => [word.toLowerCase(), half ? 0xfff000 : 0xfff]);
  return { ...words, periods: [...own, ...words.periods].sort(([a], [b]) => b.length - a.length) };
}

type TimeWords = Pick<TimePlan, 'periods' | 'units' | 'hours'>;

const knownWords = new Map<string, TimeWords>();

function readWords(locale: string): TimeWords {
  const periods = new Map<string, number>();
  const units = new Set<string>();
  const tag = gregorian(locale);
  const second = '2-digit';
  const formats = (['h12', 'h23'] as const).flatMap((hourCycle) => [
    new Intl.DateTimeFormat(tag, { hour: 'numeric', minute: '2-digit', hourCycle, timeZone: 'UTC' }),
    new Intl.DateTimeFormat(tag, {
      hour: '2-digit',
      minute: '2-digit',
      second,
      hourCycle,
      timeZone: 'UTC',
    }),
    new Intl.DateTimeFormat(tag, { timeStyle: 'medium', hourCycle, timeZone: 'UTC' }),
  ]);
  formats.push(new Intl.DateTimeFormat(tag, { timeStyle: 'short', timeZone: 'UTC' }));
  // Parts of the day as people say them: in the evening, akşam, malam.
  for (const dayPeriod of ['long', 'short'] as const)
    formats.push(
      new Intl.DateTimeFormat(tag, { hour: 'numeric', dayPeriod, hourCycle: 'h12', timeZone: 'UTC' }),
    );
  for (const format of formats)
    for (let hour = 0; hour < 24; hour++)
      for (const minute of hour % 12 ? [30] : [30, 0])
        for (const { type, value } of format.formatToParts(utc(2027, 2, 14, hour, minute))) {
          const text = plain(value).toLowerCase().replace(/[‘’ʼ]/g, "'");
          if (type === 'dayPeriod' && text.trim())
            periods.set(text.trim(), (periods.get(text.trim()) ?? 0) | (1 << hour));
          else if (type === 'literal') for (const word of wordsIn(text)) units.add(word);
        }
  // Korean writes its halves of the day in both scripts; CLDR has one of them.
  if (tag.startsWith('ko')) {
    periods.set('오전', 0xfff);
    periods.set('오후', 0xfff000);
  }
  const hours = new Set<string>();
  for (const unitDisplay of ['long', 'short', 'narrow'] as const) {
    const format = new Intl.NumberFormat(tag, { style: 'unit', unit: 'hour', unitDisplay });
    for (const number of [1, 2, 5])
      for (const { type, value } of format.formatToParts(number))
        if (type === 'unit') for (const word of wordsIn(value)) hours.add(word);
  }
  return { periods: [...periods], units: [...units], hours: [...hours] };
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

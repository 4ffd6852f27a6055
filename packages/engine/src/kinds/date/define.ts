import { type EntryOf, type FilledEntry, filled, type Options } from '../../options/option.ts';
import { calendarWords } from '../../rules/drawn-words.ts';
import { resolve } from '../../values/calendar.ts';
import { localized } from '../../values/graphemes.ts';
import { intl } from '../../values/intl.ts';
import { itemAt } from '../../values/item-at.ts';
import type { Definition } from '../contract/definition.ts';
import { digitsOf } from '../editing/digits.ts';
import { gregorian, plain, utc, wordsIn } from '../editing/formats.ts';
import type { PartPlan } from '../editing/parts.ts';
import type { DatePlan } from './run.ts';

/** Options of dates, also for kinds that have one among others. */
export const dateOptions = {
  parts: {
    is: 'choice',
    label: 'It has',
    at: ['day', 'month', 'year'],
    choices: [
      ['day', 'day, month and year'],
      ['month', 'month and year'],
    ],
    usual: 'day',
  },
  order: {
    is: 'choice',
    label: 'Order',
    at: ['day', 'month', 'year', 'separator'],
    choices: [
      ['locale', 'locale default'],
      ['dmy', 'day, month, year'],
      ['mdy', 'month, day, year'],
      ['ymd', 'year, month, day'],
    ],
    usual: 'locale',
  },
  separator: {
    is: 'text',
    label: 'Separator',
    at: ['separator'],
    form: '^[^\\p{L}\\p{N}]{1,3}$',
    expected: 'Use 1 to 3 characters, no letters or digits.',
    suggestion: '/',
    offers: () => [
      ['/', 'slash'],
      ['.', 'full stop'],
      ['-', 'hyphen'],
      [' ', 'space'],
    ],
    otherwise: 'locale default',
  },
  resting: {
    is: 'choice',
    label: 'Format when not focused',
    at: ['resting'],
    choices: [
      ['same', 'as typed'],
      ['medium', 'medium'],
      ['long', 'long'],
      ['full', 'full, with weekday'],
    ],
    usual: 'same',
  },
  pivot: {
    is: 'whole',
    label: 'Two-digit year cut-off',
    about: 'Two-digit years below this number are read as 20…, all others as 19….',
    at: ['year'],
    min: 0,
    max: 100,
    usual: 50,
  },
} as const satisfies Options;

export type DateEntry = EntryOf<typeof dateOptions>;

export const date: Definition<typeof dateOptions, DatePlan> = {
  name: 'date',
  direction: 'locale',
  valueIs: 'ISO 8601 date',
  options: dateOptions,
  byLocale: true,
  plan: (entry, { locale }) => planDate(filled(dateOptions, entry), locale),
  attributes: () => ({ inputmode: 'numeric' }),
  draws: ({ parts }) => {
    const names = parts.map(({ name }) => name);
    // A month has no calendar to pick a day from.
    return names.includes('day') ? [...names, ...calendarWords] : names;
  },
  comparable: 'day',
  variant: ({ parts }) => (parts === 'month' ? ofMonths : undefined),
  limits: {
    isGood: (text) => resolve(text, someDay) !== undefined,
    example: 'today+18m',
    fixed: '2027-02-14',
    hasSteps: false,
    // Relative limits are compared on one fixed date, and not with absolute ones.
    isAbove: (a, b) =>
      a.startsWith('today') === b.startsWith('today')
        ? resolve(a, someDay)! > resolve(b, someDay)!
        : undefined,
    begin: 'today',
  },
  pointless: ['length', 'matches', 'checksum', 'not-trivial'],
};

const someDay = '2027-02-10';

/** A limit of a month as a day: `2027-02`, or relative to the clock. */
const monthLimit = (text: string): string | undefined =>
  text.startsWith('today') || /^\d{4}-\d\d$/.test(text)
    ? resolve(text.startsWith('today') ? text : `${text}-01`, someDay)
    : undefined;

/** What is different for a month of a year. */
const ofMonths: NonNullable<ReturnType<NonNullable<Definition['variant']>>> = {
  name: 'month',
  valueIs: 'YYYY-MM',
  wordedAs: 'month',
  comparable: 'month',
  limits: {
    isGood: (text) => monthLimit(text) !== undefined,
    example: '2027-02',
    fixed: '2027-02',
    hasSteps: false,
    isAbove: (a, b) =>
      a.startsWith('today') === b.startsWith('today')
        ? monthLimit(a)!.slice(0, 7) > monthLimit(b)!.slice(0, 7)
        : undefined,
    begin: 'today',
  },
};

const datePart: Readonly<Record<string, PartPlan>> = {
  day: { name: 'day', size: 2, low: 1, high: 31 },
  month: { name: 'month', size: 2, low: 1, high: 12 },
  year: { name: 'year', size: 4, low: 1, high: 9999 },
};

const letters = { d: 'day', m: 'month', y: 'year' } as const;

/** The names of the parts a format writes, with the text between and around them. */
function shapeIn(format: Intl.DateTimeFormat): { names: string[]; between: string[] } {
  const names: string[] = [];
  const between = [''];
  for (const { type, value } of format.formatToParts(utc(2027, 2, 14)))
    if (type === 'day' || type === 'month' || type === 'year') {
      names.push(type);
      between.push('');
    } else between[names.length] += plain(value);
  return { names, between };
}

/**
 * The order of a date's parts in the locale's short form, with the text between and around them. Parts have
 * two digits if that keeps the order.
 */
function shapeOf(locale: string): { names: string[]; between: string[] } {
  const digits = { day: '2-digit', month: '2-digit', year: 'numeric' } as const;
  const shape = (options: Intl.DateTimeFormatOptions) =>
    shapeIn(intl(Intl.DateTimeFormat, gregorian(locale), { ...options, timeZone: 'UTC' }));
  const full = shape(digits);
  const short = shape({ dateStyle: 'short' });
  const isWhole = short.names.length === 3 && !short.between.some((text) => /\p{L}/u.test(text));
  return short.names.join() === full.names.join() || !isWhole ? full : short;
}

/**
 * A month of 2027 as a locale writes it, with ASCII digits. Not by `formatToParts`: for a month and a year
 * that ends the whole process in some locales (`sc`, `ksh`, `gd`; seen with Node 20.20).
 */
const monthAsText = (locale: string, style: 'short' | 'long' | '2-digit', month: number): string => {
  const tag = new Intl.Locale(locale, { calendar: 'gregory', numberingSystem: 'latn' }).toString();
  const format = intl(Intl.DateTimeFormat, tag, { year: 'numeric', month: style, timeZone: 'UTC' });
  return plain(format.format(utc(2027, month, 5)));
};

/** The order of a month and a year in the locale, with the text between and around them. */
function monthShapeOf(locale: string): { names: string[]; between: string[] } {
  const text = monthAsText(locale, '2-digit', 2);
  const [, before, first, middle, _, after] = /^(\D*)(\d+)(\D+)(\d+)(\D*)$/.exec(text) ?? [];
  if (first !== undefined && !/\p{L}/u.test(text)) {
    const names = first === '2027' ? ['year', 'month'] : ['month', 'year'];
    return { names, between: [before!, middle!, after!] };
  }
  // Words around the numbers (`2027年02月`): the order of a date, with its separator.
  const { names, between } = shapeOf(locale);
  return { names: names.filter((name) => name !== 'day'), between: ['', itemAt(between, 1), ''] };
}

/** Whether a locale writes Gregorian years; elsewhere (th, fa) a pasted year may be another one. */
const isGregorian = (locale: string): boolean =>
  /^(?:gregory|iso8601|japanese)$/.test(intl(Intl.DateTimeFormat, locale, {}).resolvedOptions().calendar);

export function planDate(entry: FilledEntry<typeof dateOptions>, locale: string): DatePlan {
  const { order, separator, resting, parts } = entry;
  const own = parts === 'month' ? monthShapeOf(locale) : shapeOf(locale);
  const ordered = [...order].map((letter) => letters[letter as 'd']);
  const names = order === 'locale' ? own.names : ordered.filter((name) => name !== 'day' || parts === 'day');
  const isOwn = names.join() === own.names.join();
  const sign = separator ?? (order === 'ymd' ? '-' : '/');
  const between =
    separator === undefined && isOwn ? own.between : ['', ...names.slice(1).map(() => sign), ''];
  const { templates, weekdays } = restingOf(locale, resting, parts);
  return {
    kind: 'date',
    parts: names.map((name) => itemAt(datePart, name)),
    between,
    digits: digitsOf(locale),
    day: names.indexOf('day'),
    month: names.indexOf('month'),
    year: names.indexOf('year'),
    pivot: entry.pivot,
    resting: templates,
    weekdays,
    gregorian: isGregorian(locale),
    ...namesOf(locale),
  };
}

/** The resting text as a template per month: names and the words between them may change with it. */
function restingOf(
  locale: string,
  resting: FilledEntry<typeof dateOptions>['resting'],
  parts: FilledEntry<typeof dateOptions>['parts'],
): { templates: string[]; weekdays: string[] } {
  const tag = gregorian(locale);
  const monday = 4;
  const week = (format: Intl.DateTimeFormat): string[] =>
    Array.from({ length: 7 }, (_, i) => {
      const parts = format.formatToParts(utc(2027, 1, monday + i));
      return parts.find(({ type }) => type === 'weekday')?.value ?? '';
    });
  const long = intl(Intl.DateTimeFormat, tag, { weekday: 'long', timeZone: 'UTC' });
  if (resting === 'same') return { templates: [], weekdays: week(long) };
  if (parts === 'month') {
    const style = resting === 'medium' ? 'short' : 'long';
    const templates = Array.from({ length: 12 }, (_, i) =>
      localized(digitsOf(locale), monthAsText(locale, style, i + 1).replace('2027', '{y}')),
    );
    return { templates, weekdays: week(long) };
  }
  const format = intl(Intl.DateTimeFormat, tag, { dateStyle: resting, timeZone: 'UTC' });
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

/** The names of months and other words in pasted dates, in the locale and in English. */
function namesOf(locale: string): Pick<DatePlan, 'months' | 'words'> {
  let names = known.get(locale);
  if (!names) {
    names = readNames(locale);
    known.set(locale, names);
  }
  return names;
}

/** Compiled locales: asking `Intl` takes milliseconds, and a definition is compiled at every change. */
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
          if (type === 'month')
            itemAt(months, Math.min(i, 11)).add(value.toLowerCase().replace(/[.\s׳]+$/u, ''));
          else for (const word of wordsIn(value)) words.add(word);
  }
  // A name shared by several months (a number with `tháng`) names none.
  const count = new Map<string, number>();
  for (const names of months) for (const name of names) count.set(name, (count.get(name) ?? 0) + 1);
  const isName = (name: string) => count.get(name) === 1 && /\p{L}/u.test(name) && !/\d/.test(name);
  for (const name of count.keys()) if (!isName(name)) for (const word of wordsIn(name)) words.add(word);
  return {
    months: months.map((names) => [...names].filter(isName).sort((a, b) => b.length - a.length)),
    words: [...words],
  };
}

import type { Cursor } from '../../faults/cursor.ts';
import { say, type Texts } from '../../faults/say.ts';
import { type FilledEntry, filled, type Options } from '../../options/option.ts';
import { canonical, compare } from '../../values/decimal.ts';
import { intl } from '../../values/intl.ts';
import type { Definition } from '../contract/definition.ts';
import { digitsOf } from '../editing/digits.ts';
import type { DurationPlan } from './plan.ts';

const units = [['h', 'min'], ['min'], ['h']] as const satisfies readonly (readonly ('h' | 'min')[])[];

const options = {
  units: {
    is: 'choice',
    label: 'Units',
    at: ['units'],
    choices: [
      [units[0], 'hours and minutes'],
      [units[1], 'minutes'],
      [units[2], 'hours'],
    ],
    usual: units[0],
  },
  bare: {
    is: 'choice',
    label: 'Default unit',
    about: 'Unit assumed when only a number is typed. Must be one of the field’s units.',
    at: ['units'],
    choices: [
      ['min', 'minutes'],
      ['h', 'hours'],
    ],
    usual: 'min',
  },
} as const satisfies Options;

const faults = {
  'unknown-bare-unit': 'The field has no unit "{unit}". Choose one of its units.',
} as const satisfies Texts;

/** Checks that the unit of a number without unit is one of the field's. */
function check(at: Cursor): void {
  const { units, bare } = at.value as { units?: unknown; bare?: unknown };
  if (Array.isArray(units) && typeof bare === 'string' && !units.includes(bare))
    at.get('bare').fault(say(faults, 'unknown-bare-unit', { unit: bare }), {
      suggestion: String(units[0] ?? 'min'),
    });
}

export const duration: Definition<typeof options, DurationPlan> = {
  name: 'duration',
  direction: 'locale',
  valueIs: 'whole minutes',
  options,
  byLocale: true,
  faults,
  check,
  draws: ({ parts }) => parts.map(({ name }) => name),
  plan: (entry, { locale }) => planDuration(filled(options, entry), locale),
  attributes: () => ({ inputmode: 'numeric' }),
  comparable: 'minutes',
  limits: {
    isGood: (text) => /^\d{1,6}$/.test(text),
    example: '90',
    hasSteps: true,
    isAbove: (a, b) => compare(canonical(a), canonical(b)) > 0,
    begin: '10',
  },
  pointless: ['length', 'matches', 'checksum', 'not-trivial'],
};

/** The plan of a duration. Units are written with their symbols (ISO 80000-3), the same in every language. */
function planDuration(entry: FilledEntry<typeof options>, locale: string): DurationPlan {
  const units: readonly ('h' | 'min')[] = entry.units;
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
    words: wordsOf(locale),
    decimal:
      intl(Intl.NumberFormat, locale, {})
        .formatToParts(1.5)
        .find(({ type }) => type === 'decimal')?.value ?? '.',
  };
}

const longUnits = [
  ['day', 86_400],
  ['hour', 3600],
  ['minute', 60],
  ['second', 1],
] as const;

/** Symbols and words that people write in any locale. */
const known: readonly (readonly [words: string, seconds: number])[] = [
  ['d day days', 86_400],
  ['h hr hrs hour hours std stunde stunden heure heures hora horas ora ore uur', 3600],
  ["m min mins minute minutes minuten minuto minutos minuti minuut ′ ' ’", 60],
  ['s sec secs second seconds ″ "', 1],
];

const wordsByLocale = new Map<string, DurationPlan['words']>();

/**
 * The words of the units in the locale's long, short and narrow forms for numbers whose words differ, and the
 * known ones. Cached, because `Intl` takes milliseconds and a definition is compiled at every change.
 */
function wordsOf(locale: string): DurationPlan['words'] {
  const cached = wordsByLocale.get(locale);
  if (cached) return cached;
  const words = new Map<string, number>();
  for (const [unit, seconds] of longUnits)
    for (const unitDisplay of ['long', 'short', 'narrow'] as const) {
      const format = new Intl.NumberFormat(locale, { style: 'unit', unit, unitDisplay });
      for (const number of [1, 2, 5, 21, 1.5])
        for (const { type, value } of format.formatToParts(number))
          if (type === 'unit') words.set(value.trim().toLowerCase().replace(/\.$/, ''), seconds);
    }
  for (const [text, seconds] of known)
    for (const word of text.split(' ')) if (!words.has(word)) words.set(word, seconds);
  const all = [...words];
  wordsByLocale.set(locale, all);
  return all;
}

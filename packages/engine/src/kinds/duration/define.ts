import type { Cursor } from '../../faults/cursor.ts';
import { type FilledEntry, filled, type Options } from '../../options/option.ts';
import { canonical, compare } from '../../values/decimal.ts';
import type { Definition } from '../contract/definition.ts';
import { digitsOf } from '../editing/digits.ts';
import type { DurationPlan } from './run.ts';

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
    label: 'A number alone is in',
    about: 'The unit of a number without one; one that the field shows.',
    at: ['units'],
    choices: [
      ['min', 'minutes'],
      ['h', 'hours'],
    ],
    usual: 'min',
  },
} as const satisfies Options;

/** Checks that the unit of a number without unit is one of the field's. */
function check(at: Cursor): void {
  const { units, bare } = at.value as { units?: unknown; bare?: unknown };
  if (Array.isArray(units) && typeof bare === 'string' && !units.includes(bare))
    at.get('bare').fault(`The field shows no "${bare}": a number alone is in a unit it shows.`, {
      suggestion: String(units[0] ?? 'min'),
    });
}

export const duration: Definition<typeof options, DurationPlan> = {
  name: 'duration',
  options,
  byLocale: true,
  check,
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
    decimal:
      new Intl.NumberFormat(locale).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value ?? '.',
  };
}

import type { Cursor } from '../../faults/cursor.ts';
import { say, type Texts } from '../../faults/say.ts';
import { filled, type Options } from '../../options/option.ts';
import type { Definition } from '../contract/definition.ts';
import type { ChoicesPlan } from './run.ts';

const options = {
  options: {
    is: 'picks',
    label: 'Options',
    about: 'What can be chosen: values for the program, words for people.',
    at: ['options'],
    needed: true,
    least: 1,
  },
  count: {
    is: 'bounds',
    label: 'Number of selections',
    about:
      'Minimum and maximum number of selected options. An empty selection is always allowed; use “required” to forbid it.',
    at: ['count'],
    min: 1,
    max: 100,
    otherwise: 'any number',
  },
} as const satisfies Options;

const faults = {
  'max-above-options': 'The maximum is higher than the number of options ({count}).',
} as const satisfies Texts;

/** Checks that no more choices are required than there are options. */
function check(at: Cursor): void {
  const { options, count } = at.value as { options?: unknown; count?: { min?: unknown } };
  if (!Array.isArray(options) || typeof count?.min !== 'number' || count.min <= options.length) return;
  at.get('count')
    .get('min')
    .fault(say(faults, 'max-above-options', { count: options.length }), {
      suggestion: String(options.length),
    });
}

export const choices: Definition<typeof options, ChoicesPlan> = {
  name: 'choices',
  valueIs: 'values, space-separated',
  // Entries that were not checked are asked about too.
  variant: ({ options: all }) =>
    Array.isArray(all) && all.some((one) => /\s/u.test(String(one?.value)))
      ? { valueIs: 'values, one per line' }
      : undefined,
  options,
  says: ['min', 'max'],
  faults,
  check,
  plan: (entry) => {
    const { options: offered, count } = filled(options, entry);
    return {
      kind: 'choices',
      draw: 'tick',
      options: offered,
      least: count?.min ?? 0,
      most: count?.max ?? offered.length,
    };
  },
  pointless: ['length', 'checksum', 'not-trivial', 'matches'],
};

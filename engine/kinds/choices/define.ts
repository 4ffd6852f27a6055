import type { Spot } from '../../faults/spot.ts';
import { filled, type Options } from '../../options/option.ts';
import type { Definition } from '../definition.ts';
import { amongThem, escaped, type ValueForm } from '../value-form.ts';
import type { ChoicesPlan } from './run.ts';

const options = {
  options: {
    is: 'picks',
    label: 'Choices',
    about: 'What can be chosen: values for the program, words for people.',
    at: ['options'],
    needed: true,
    least: 1,
  },
  count: {
    is: 'bounds',
    label: 'Chosen together',
    about: 'How many are chosen together: none at all, or at least and at most so many.',
    at: ['count'],
    min: 1,
    max: 100,
    otherwise: 'any number',
  },
} as const satisfies Options;

/** No more can be needed than there are to choose from. */
function check(at: Spot): void {
  const { options, count } = at.value as { options?: unknown; count?: { min?: unknown } };
  if (!Array.isArray(options) || typeof count?.min !== 'number' || count.min <= options.length) return;
  at.get('count')
    .get('min')
    .fault(`There are only ${options.length} to choose from.`, { suggestion: String(options.length) });
}

/** Of few all of them are written out, in the order of the options, as many as there may be. */
function valuesOf({ options: offered, least, most }: ChoicesPlan): ValueForm {
  const names = offered.map(({ value }) => value);
  if (names.length > 6) {
    const one = `(?:${names.map(escaped).join('|')})`;
    return { type: 'string', expression: `${one}(?: ${one})*`, beyond: 'the order of choices, and how many' };
  }
  const sets = Array.from({ length: 2 ** names.length }, (_, bits) =>
    names.filter((__, i) => bits & (1 << i)),
  );
  return amongThem(
    sets.filter(({ length }) => length >= Math.max(1, least) && length <= most).map((set) => set.join(' ')),
  );
}

export const choices: Definition<typeof options, ChoicesPlan> = {
  name: 'choices',
  hasSeveral: true,
  options,
  says: ['min', 'max'],
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
  values: valuesOf,
  pointless: ['length', 'checksum', 'not-trivial', 'matches'],
};

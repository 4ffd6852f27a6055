import type { Cursor } from '../../faults/cursor.ts';
import { say, type Texts } from '../../faults/say.ts';
import type { Definition } from '../../kinds/contract/definition.ts';
import type { Comparison } from '../../rules/comparison.ts';
import { define, type Mutation } from '../contract.ts';

/** What each comparison needs of the values it compares. */
const comparisons: Readonly<Record<Comparison, readonly (Definition['comparable'] | 'any')[]>> = {
  same: ['any'],
  differs: ['any'],
  after: ['day', 'month', 'moment', 'time'],
  'not-before': ['day', 'month', 'moment', 'time'],
  before: ['day', 'month', 'moment', 'time'],
  'not-after': ['day', 'month', 'moment', 'time'],
  above: ['number', 'minutes'],
  below: ['number', 'minutes'],
  'at-most-days': ['day'],
  'at-least-days': ['day'],
};

/**
 * The comparisons that values of a kind support.
 *
 * @example
 * comparisonsFor({ comparable: 'number' }); // ['same', 'differs', 'above', 'below']
 */
export const comparisonsFor = ({ comparable }: Pick<Definition, 'comparable'>): readonly Comparison[] =>
  (Object.keys(comparisons) as Comparison[]).filter((op) =>
    comparisons[op].some((one) => one === 'any' || one === comparable),
  );

const faults = {
  'not-comparable-kind': 'A {kind} field cannot be compared by "{op}".',
  'days-missing': '"days" is missing: the number of days.',
  'days-unused': '"{op}" does not use "days". Remove it.',
} as const satisfies Texts;

function readCompare(at: Cursor, kind: Definition | undefined): void {
  const { op: written, days } = at.value as { op?: unknown; days?: unknown };
  const op = (Object.keys(comparisons) as Comparison[]).find((one) => one === written);
  if (!op) return;
  if (kind && !comparisonsFor(kind).includes(op))
    at.get('op').fault(say(faults, 'not-comparable-kind', { kind: kind.name, op }), {
      suggestion: comparisonsFor(kind).at(-1),
    });
  if (counting.includes(op)) {
    if (days === undefined) at.get('days').fault(say(faults, 'days-missing'));
  } else if (typeof days === 'number') at.get('days').fault(say(faults, 'days-unused', { op }));
}

/** Opposite and neighbouring comparisons, for mutation tests. */
const turned: Readonly<Record<Comparison, readonly Comparison[]>> = {
  same: ['differs'],
  differs: ['same'],
  after: ['not-before', 'not-after'],
  'not-before': ['after', 'before'],
  before: ['not-after', 'not-before'],
  'not-after': ['before', 'after'],
  above: ['below'],
  below: ['above'],
  'at-most-days': ['at-least-days'],
  'at-least-days': ['at-most-days'],
};

const counting = ['at-most-days', 'at-least-days'];

export const compare = define({
  type: 'compare',
  options: {
    op: {
      is: 'choice',
      label: 'Comparison',
      at: [],
      choices: [
        ['same', 'is the same'],
        ['differs', 'is not the same'],
        ['after', 'is after'],
        ['not-before', 'is not before'],
        ['before', 'is before'],
        ['not-after', 'is not after'],
        ['above', 'is above'],
        ['below', 'is below'],
        ['at-most-days', 'is at most so many days after'],
        ['at-least-days', 'is at least so many days after'],
      ],
      needed: true,
    },
    field: { is: 'text', label: 'Field', at: [], needed: true },
    days: { is: 'whole', label: 'Days', at: [], min: 0, max: 36_500 },
  },
  faults,
  read: readCompare,
  rest: {
    oneOf: [
      {
        properties: { op: { enum: Object.keys(comparisons).filter((op) => !counting.includes(op)) } },
        not: { required: ['days'] },
      },
      { properties: { op: { enum: counting } }, required: ['days'] },
    ],
  },
  data: ['value', 'other', 'other-label', 'days'],
  numbers: ['days'],
  mutations: (check) => [
    ...turned[check.op].map(
      (op): Mutation => [`“${op}” instead of “${check.op}”`, { ...check, op } as Mutation[1]],
    ),
    ...(check.days === undefined ? [] : [check.days - 1, check.days + 1])
      .filter((one) => one >= 0)
      .map((days): Mutation => [`${days} days instead of ${check.days}`, { ...check, days } as Mutation[1]]),
  ],
});

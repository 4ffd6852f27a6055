import type { Spot } from '../../faults/spot.ts';
import type { Definition } from '../../kinds/contract/definition.ts';
import { shape, text } from '../../options/shapes.ts';
import type { Comparison } from '../../rules/rule.ts';
import { define, type Mutation } from '../contract.ts';

/** What each comparison needs of the values it compares. */
const comparisons: Readonly<Record<Comparison, readonly (Definition['comparable'] | 'any')[]>> = {
  same: ['any'],
  differs: ['any'],
  after: ['day', 'time'],
  'not-before': ['day', 'time'],
  before: ['day', 'time'],
  'not-after': ['day', 'time'],
  above: ['number', 'minutes'],
  below: ['number', 'minutes'],
  'at-most-days': ['day'],
  'at-least-days': ['day'],
};

/** The comparisons that values of a kind can be put to. */
export const comparisonsFor = ({ comparable }: Pick<Definition, 'comparable'>): readonly Comparison[] =>
  (Object.keys(comparisons) as Comparison[]).filter((op) =>
    comparisons[op].some((one) => one === 'any' || one === comparable),
  );

function readCompare(at: Spot, kind: Definition | undefined): void {
  if (at.has('field')) at.get('field').string();
  const op = at.has('op')
    ? (at.get('op').oneOf(Object.keys(comparisons)) as Comparison | undefined)
    : undefined;
  if (op && kind && !comparisonsFor(kind).includes(op))
    at.get('op').fault(`A ${kind.name} field cannot be "${op}" another.`, {
      suggestion: comparisonsFor(kind).at(-1),
    });
  const counts = op === 'at-most-days' || op === 'at-least-days';
  if (at.has('days') && op && !counts) at.get('days').fault(`"${op}" counts no days: leave them out.`);
  else if (at.has('days')) at.get('days').wholeFrom(0, 36_500);
  else if (counts) at.get('days').fault('"days" is missing: how many.');
}

/** Comparisons turned round, and those beside them. */
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

export const compare = define<{
  readonly type: 'compare';
  readonly op: Comparison;
  readonly field: string;
  readonly days?: number;
}>({
  type: 'compare',
  members: { op: 'needed', field: 'needed', days: 'optional' },
  read: readCompare,
  schemas: [
    shape(
      {
        type: { const: 'compare' },
        op: { enum: Object.keys(comparisons).filter((op) => !counting.includes(op)) },
        field: text,
      },
      ['op', 'field'],
    ),
    shape(
      {
        type: { const: 'compare' },
        op: { enum: counting },
        field: text,
        days: { type: 'integer', minimum: 0, maximum: 36_500 },
      },
      ['op', 'field', 'days'],
    ),
  ],
  data: ['value', 'other', 'other-label', 'days'],
  numbers: ['days'],
  compile(check, { comparable }) {
    const isCounted = comparable === 'number' || comparable === 'minutes';
    return { ...check, by: isCounted ? 'number' : 'text' };
  },
  mutations: (check) => [
    ...turned[check.op].map(
      (op): Mutation => [`“${op}” instead of “${check.op}”`, { ...check, op } as Mutation[1]],
    ),
    ...(check.days === undefined ? [] : [check.days - 1, check.days + 1])
      .filter((one) => one >= 0)
      .map((days): Mutation => [`${days} days instead of ${check.days}`, { ...check, days } as Mutation[1]]),
  ],
});

import { type Cursor, nameOf } from '../../faults/cursor.ts';
import { most } from '../../faults/limits.ts';
import { say, type Texts } from '../../faults/say.ts';
import type { Definition, Limits } from '../../kinds/contract/definition.ts';
import { oneOrOther } from '../../options/shapes.ts';
import { define, type Mutation } from '../contract.ts';
import { besideLimit } from './beside-limit.ts';

const ends = ['min', 'max', 'step'] as const;

const faults = {
  'no-range': 'A "range" check is not available for {kind} fields.',
  'empty-range': 'A range needs at least one of "min", "max" and "step".',
  'no-steps': 'A {kind} field has no steps. Remove "step".',
  'invalid-limit': 'Expected a {kind} such as "{example}", found {found}.',
  'step-not-positive': 'A step must be greater than zero.',
  'min-above-max': '"min" is above "max" ({max}): no value would pass.',
} as const satisfies Texts;

function readRange(at: Cursor, kind: Definition | undefined): void {
  if (kind === undefined) return;
  const { limits, name } = kind;
  if (!limits) {
    at.get('type').fault(say(faults, 'no-range', { kind: name }), { suggestion: 'length' });
    return;
  }
  const given = ['min', 'max', 'step'].filter((key) => at.has(key));
  if (given.length === 0) at.fault(say(faults, 'empty-range'));
  for (const key of given) {
    const spot = at.get(key);
    const { value } = spot;
    const text = typeof value === 'number' && Number.isFinite(value) ? String(value) : value;
    if (key === 'step' && !limits.hasSteps) spot.fault(say(faults, 'no-steps', { kind: name }));
    else if (
      typeof text !== 'string' ||
      text.length > most.id ||
      !limits.isGood(text) ||
      (key === 'step' && !/[1-9]/.test(text.replace('-', '')))
    )
      spot.fault(
        say(faults, 'invalid-limit', { kind: name, example: limits.example, found: nameOf(value) }),
        {
          suggestion: limits.example,
        },
      );
    else if (key === 'step' && text.startsWith('-'))
      spot.fault(say(faults, 'step-not-positive'), { suggestion: text.slice(1) });
  }
  readOrder(at, limits);
}

/** Checks that the minimum is not above the maximum: nothing could pass. */
function readOrder(at: Cursor, { isGood, isAbove }: Limits): void {
  const [min = '', max = ''] = ['min', 'max'].map((key) => (at.has(key) ? String(at.get(key).value) : ''));
  if (min && max && isGood(min) && isGood(max) && isAbove(min, max))
    at.get('min').fault(say(faults, 'min-above-max', { max }), { suggestion: max });
}

const about = 'A decimal, an ISO 8601 date or time, whole minutes, or for dates today, today+18m, today-16y.';

export const range = define({
  type: 'range',
  options: {
    min: { is: 'limit', label: 'Minimum', about, at: [] },
    max: { is: 'limit', label: 'Maximum', about, at: [] },
    step: { is: 'limit', label: 'In steps of', about, at: [] },
  },
  faults,
  read: readRange,
  rest: oneOrOther(...ends),
  data: ends,
  numbers: ['min', 'max'],
  mutations: (check) =>
    ends.flatMap((end) => {
      const at = check[end];
      if (at === undefined) return [];
      const { [end]: _, ...rest } = check;
      const isLast = Object.keys(rest).length === 1;
      return [
        ...besideLimit(String(at)).map(
          (one): Mutation => [`${end} ${one} instead of ${at}`, { ...check, [end]: one }],
        ),
        ...(isLast ? [] : [[`without ${end} ${at}`, rest] as Mutation]),
      ];
    }),
});

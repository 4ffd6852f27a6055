import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { apply, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import type { FieldEvent } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import { digitsBetween, type ValueForm } from '../kinds/contract/value-form.ts';
import { valueTypesOf } from '../kinds/value-types.ts';
import { fieldOf, sketch, sketchOfList } from './arbitraries.ts';
import { compiledOf, kindNames, sketchOf, textFor } from './kinds.ts';

const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 80),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const formOf = (field: HydratedField): ValueForm => valueTypesOf(field.plan).values;
const matches = ({ among, expression }: ValueForm, text: string): boolean =>
  among
    ? among.includes(text)
    : expression === undefined || new RegExp(`^(?:${expression})$`, 'u').test(text);
const valueAfter = (field: HydratedField, event: FieldEvent): string | null =>
  evaluate(field, apply(field, start(field), event)).value;

/**
 * What the form says is what the field does: with a text that comes in some way, and with what is next to a
 * value of its.
 */
function holds(field: HydratedField, text: string, near: readonly [number, string]): void {
  const form = formOf(field);
  const typed = [...text].reduce((state, c) => apply(field, state, { type: 'key', text: c }), start(field));
  const values = [
    valueAfter(field, { type: 'paste', text }),
    evaluate(field, apply(field, typed, { type: 'leave' })).value,
  ];
  for (const value of values) {
    if (value === null) continue;
    expect(matches(form, value), `${value} is a value, ${form.expression ?? form.among}`).toBe(true);
    const at = near[0] % value.length;
    for (const other of [
      value.slice(0, at) + near[1] + value.slice(at + 1),
      value.slice(0, at) + value.slice(at + 1),
    ])
      if (!form.beyond && other && matches(form, other))
        expect(valueAfter(field, { type: 'set', text: other }), `${other} is said to be a value`).toBe(other);
  }
}

const near = fc.tuple(fc.nat(20), fc.constantFrom('0', '1', '2', '3', '9', 'A', 'x', '-', '.', ' '));

describe('the values of a kind are what its definition says', () => {
  for (const kind of kindNames)
    test(kind, () => {
      fc.assert(
        fc.property(sketchOf(kind), textFor(kind), near, (drawn, text, beside) =>
          holds(compiledOf(drawn), text, beside),
        ),
        runs,
      );
    });
  test('pattern', () => {
    const text = fc
      .array(fc.constantFrom(...'0123456789abXZ é-/. '), { maxLength: 14 })
      .map((list) => list.join(''));
    fc.assert(
      fc.property(fc.oneof(sketch, sketchOfList), text, near, (drawn, typed, beside) =>
        holds(fieldOf(drawn), typed, beside),
      ),
      { ...runs, numRuns: runs.numRuns * 4 },
    );
  });
});

/** A whole text means the same, pasted or filled in (`docs/contract/values.md`, section 1.7). */
describe('autofill reads a text as a paste does', () => {
  const isSame = (field: HydratedField, text: string): void => {
    const [pasted, filled] = (['paste', 'autofill'] as const).map((type) => {
      const after = apply(field, apply(field, start(field), { type: 'focus' }), { type, text });
      // Blur trims the pasted text. Autofill trims it immediately.
      const { body } = apply(field, after, { type: 'leave' });
      return [body.display, body.content, after.leftOut, after.rejected];
    });
    expect(filled).toEqual(pasted);
  };
  for (const kind of kindNames)
    test(kind, () => {
      fc.assert(
        fc.property(sketchOf(kind), textFor(kind), (drawn, text) => isSame(compiledOf(drawn), text)),
        runs,
      );
    });
});

test('a stretch that what follows it could begin says more than the field takes', () => {
  const beyond = (pattern: string) =>
    formOf(fieldOf({ pattern, positions: 'flow', literals: 'behind', raw: 'text' } as never)).beyond !== undefined;
  expect(['<?<00..23>><1-2 digit>', '<?<2 latin>><0-1 latin><digit>', '<?-<2 digit>>-<digit>'].map(beyond)).toEqual([true, true, true]);
  expect(['<?<2 latin>><4 digit>', '<?<GB|IE>><9 digit>', '<?+<2 digit>>-<digit>', '<4 digit><?-<4 digit>>'].map(beyond)).toEqual([false, false, false, false]);
}); // biome-ignore format: a list a line

test('numbers between two of as many digits', () => {
  for (const [low, high] of [['00', '23'], ['01', '12'], ['000', '255'], ['7', '7'], ['099', '101'], ['20', '79'], ['13', '14'], ['00', '99']] as const) {
    const expression = new RegExp(`^${digitsBetween(low, high)}$`);
    for (let n = 0; n < 10 ** low.length; n++) {
      const text = String(n).padStart(low.length, '0');
      expect([text, expression.test(text)]).toEqual([text, text >= low && text <= high]);
    }
  } // biome-ignore format: a pair beside the other
});

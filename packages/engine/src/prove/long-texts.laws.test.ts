import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { apply, start } from '../field/apply.ts';
import type { HydratedField } from '../field/kind.ts';
import { fieldOf, sketch, sketchOfList } from './arbitraries.ts';
import { compiledOf, kindNames, sketchOf } from './kinds.ts';
import { growthOf, membersSeen } from './work.fixture.ts';

/**
 * A text of any length is read in steps that grow with its length, in every field: whoever pastes or sends a
 * megabyte stops neither a page nor a server. Counted, not timed.
 */
const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
const long = fc
  .array(fc.constantFrom('1', 'a', ' ', '-', '.', ',', '#', 'Z', '0', '+', 'é', '\n', '(', '漢'), {
    minLength: 1,
    maxLength: 4,
  })
  .map((units) => units.join(''));
const way = fc.constantFrom('paste', 'insert', 'set', 'autofill');

function isLinear(field: HydratedField, unit: string, type: 'paste'): void {
  const empty = apply(field, start(field), { type: 'focus' });
  // Compiled and remembered once.
  apply(field, empty, { type, text: unit.repeat(9) });
  const work = (size: number): number =>
    membersSeen(() => apply(field, empty, { type, text: unit.repeat(Math.ceil(size / unit.length)) }));
  expect(growthOf(work, 600)).toBeLessThan(2.5);
}

describe('a long text takes steps as many as it is long', () => {
  test.each(kindNames)('%s', (kind) => {
    fc.assert(
      fc.property(sketchOf(kind), long, way, (drawn, unit, type) =>
        isLinear(compiledOf(drawn), unit, type as 'paste'),
      ),
      { numRuns: 25, seed },
    );
  });
  test('pattern', () => {
    fc.assert(
      fc.property(fc.oneof(sketch, sketchOfList), long, way, (drawn, unit, type) =>
        isLinear(fieldOf(drawn) as unknown as HydratedField, unit, type as 'paste'),
      ),
      { numRuns: 80, seed },
    );
  });
});

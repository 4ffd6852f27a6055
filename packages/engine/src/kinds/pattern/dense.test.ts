import fc from 'fast-check';
import { expect, test } from 'vitest';
import { actions, fieldOf, sketch, walk } from '../../prove/arbitraries.ts';
import { layOut } from './layout.ts';

test('content laid out by table is what it is cell by cell', () => {
  let dense = 0;
  fc.assert(
    fc.property(sketch, actions, (from, tape) => {
      const field = fieldOf(from);
      for (const { after } of walk(field, tape)) {
        const { cells, passed, content, last, display, at, complete } = after.body;
        if (after.body.constructor !== Object) dense++;
        const slow = layOut(field.plan, cells, content, passed, last);
        expect({ display, complete, at: [...at] }).toEqual({
          display: slow.display,
          complete: slow.complete,
          at: [...slow.at],
        });
      }
    }),
    { numRuns: 1500, seed: 20270210 },
  );
  // Otherwise this would prove nothing.
  expect(dense).toBeGreaterThan(500);
});

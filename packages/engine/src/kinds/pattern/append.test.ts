import fc from 'fast-check';
import { expect, test } from 'vitest';
import { fieldOf, sketch, typed } from '../../prove/arbitraries.ts';
import { graphemes } from '../../values/graphemes.ts';
import { append, bulk, isAppendable } from './append.ts';
import { insertAll, pattern } from './run.ts';

test('many characters at once lead where they would one by one', () => {
  let together = 0;
  fc.assert(
    fc.property(sketch, typed, typed, (from, first, then) => {
      const { plan } = fieldOf(from);
      const empty = { body: pattern.empty(plan), caret: pattern.caretAtEnd(plan, pattern.empty(plan)).caret };
      const start = insertAll(plan, empty, first);
      if (isAppendable(plan, start.body, start.caret))
        together += append(plan, start.body, graphemes(then)).count;
      const at = { body: start.body, caret: start.caret };
      const slow = insertAll(plan, at, then);
      const fast = insertAll(plan, at, then, bulk, -1);
      const told = ({ body, caret, leftOut, rejected }: typeof slow) => ({
        display: body.display,
        cells: [...body.cells],
        passed: body.passed,
        caret,
        leftOut,
        rejected,
      });
      expect(told(fast)).toEqual(told(slow));
    }),
    { numRuns: Number(process.env.ARBEIT_RUNS ?? 2000), seed: Number(process.env.ARBEIT_SEED ?? 20270210) },
  );
  // Otherwise this would prove nothing.
  expect(together).toBeGreaterThan(2000);
});

test('fixed text that was just typed is met again, though all that follows may stay out', () => {
  const { plan } = fieldOf({ pattern: '9<?<00..23>>', positions: 'flow', literals: 'behind' });
  const empty = { body: pattern.empty(plan), caret: 0 };
  expect(insertAll(plan, empty, '99', bulk, -1).body.display).toBe('9');
});

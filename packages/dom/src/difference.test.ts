import fc from 'fast-check';
import { expect, test } from 'vitest';
import { difference } from './difference.ts';
import '../../../scripts/seed.ts';

test('what was typed is found by the caret, not by its likeness', () => {
  expect(difference('55', '555', 1)).toEqual({ start: 0, end: 0, text: '5' });
  expect(difference('55', '555', 3)).toEqual({ start: 2, end: 2, text: '5' });
  expect(difference('555', '55', 0)).toEqual({ start: 0, end: 1, text: '' });
  expect(difference('(55) 1', '(55 1', 3)).toEqual({ start: 3, end: 4, text: '' });
  expect(difference('teh', 'the', 3)).toEqual({ start: 1, end: 3, text: 'he' });
});

test('put in place, the difference makes the one text of the other', () => {
  const text = fc.string({ unit: fc.constantFrom('a', 'b', ' '), maxLength: 8 });
  fc.assert(
    fc.property(text, text, fc.nat(8), (before, after, caret) => {
      const d = difference(before, after, Math.min(caret, after.length));
      expect(before.slice(0, d.start) + d.text + before.slice(d.end)).toBe(after);
    }),
    { seed: 20270210, numRuns: 1000 },
  );
});

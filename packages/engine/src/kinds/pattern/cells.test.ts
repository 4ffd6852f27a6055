import fc from 'fast-check';
import { expect, test } from 'vitest';
import { inBounds, wordFor } from './cells.ts';

test('digits with blanks are in bounds exactly when some number that fits them is', () => {
  const digit = fc.constantFrom('', ...'0123456789');
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 999 }),
      fc.integer({ min: 0, max: 999 }),
      fc.tuple(digit, digit, digit),
      (a, b, cells) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const width = (n: number) => String(n).padStart(3, '0');
        const fits = Array.from({ length: high - low + 1 }, (_, i) => width(low + i)).some((n) =>
          cells.every((c, i) => !c || c === n[i]),
        );
        expect(inBounds(cells, width(low), width(high))).toBe(fits);
      },
    ),
    { seed: 20270210 },
  );
});

test.each([
  [['', ''], 'AM'],
  [['p', ''], 'PM'],
  [['', 'm'], 'AM'],
  [['x', ''], undefined],
])('%j leads to the word %s', (filled, word) => expect(wordFor(filled, ['AM', 'PM'])).toBe(word));

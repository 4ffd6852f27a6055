import { describe, expect, test } from 'vitest';
import { luhn, mod11, mod97 } from './schemes.ts';

// Worked examples of the standards themselves, and one wrong character in each.
describe.each([
  [
    'luhn',
    luhn,
    ['79927398713', '0', 'US0378331005', '4539 1488 0343 6467'],
    ['79927398714', 'US0378331006', '', '12ä'],
  ],
  ['mod97', mod97, ['79444', '79 444'], ['79445', '97444', '']],
  ['mod11', mod11, ['07940', '079X', '4071KM4', '1234AB5'], ['07941', '4071KM5', 'X', '']],
] as const)('%s', (_, check, good, bad) => {
  test.each(good)('%s holds', (text) => expect(check(text)).toBe(true));
  test.each(bad)('%s does not', (text) => expect(check(text)).toBe(false));
});

test('every slip of one digit is caught by mod 11-2', () => {
  const good = '4071KM4';
  for (const [i, c] of [...good].entries())
    for (const d of '0123456789')
      if (/\d/.test(c) && c !== d) expect(mod11(good.slice(0, i) + d + good.slice(i + 1))).toBe(false);
});

import fc from 'fast-check';
import { expect, test } from 'vitest';
import { isMultiple } from './decimal.ts';

/**
 * A decimal as text, of few digits or of many: with up to fifteen the quick way is taken, beyond them BigInt.
 */
const decimal = fc
  .tuple(fc.constantFrom('', '-'), fc.bigInt({ min: 0n, max: 10n ** 18n }), fc.nat(6))
  .map(([sign, units, places]) => {
    const digits = String(units).padStart(places + 1, '0');
    const at = digits.length - places;
    return { text: `${sign}${digits.slice(0, at)}${places ? `.${digits.slice(at)}` : ''}`, units, places };
  });

test('a multiple of a step is one, of few digits and of many alike', () => {
  fc.assert(
    fc.property(decimal, decimal, fc.nat(9), (a, step, times) => {
      const scale = Math.max(a.places, step.places);
      const inUnits = (d: { units: bigint; places: number }) => d.units * 10n ** BigInt(scale - d.places);
      const wanted = inUnits(step) === 0n || inUnits(a) % inUnits(step) === 0n;
      expect(isMultiple(a.text, step.text)).toBe(wanted);
      // By chance hardly anything is a multiple: one that is.
      const product = String(step.units * BigInt(times)).padStart(step.places + 1, '0');
      const at = product.length - step.places;
      const text = `${product.slice(0, at)}${step.places ? `.${product.slice(at)}` : ''}`;
      expect(isMultiple(text, step.text.replace('-', ''))).toBe(true);
    }),
    { numRuns: 3000 },
  );
});

test.each([
  ['0.3', '0.1', true],
  ['1234567.89', '0.01', true],
  ['1234567.895', '0.01', false],
  ['-7.5', '2.5', true],
  ['9007199254740993', '2', false],
  ['0', '7', true],
])('%s in steps of %s: %s', (a, step, is) => {
  expect(isMultiple(a, step)).toBe(is);
});

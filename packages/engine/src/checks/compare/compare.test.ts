import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Comparison } from '../../rules/comparison.ts';
import { addDays } from '../../values/calendar.ts';
import { compare } from './run.ts';

const says = (op: Comparison, value: string, other: string | null, by: 'number' | 'text', days?: number) =>
  compare(
    { plan: {}, checks: {}, kind: { raw: () => value, value: () => value, hasRoom: () => false, parse: () => ({ body: { content: '', display: '', complete: true } }) } },
    { content: value, display: value, complete: true },
    { type: 'compare', op, field: 'other', by, ...(days === undefined ? {} : { days }) },
    { today: '', answers: {}, others: { other: { value: other, label: 'Other', display: `shown ${other}` } } },
    'rule',
  ); // biome-ignore format: short

test.each<[Comparison, string, string, 'number' | 'text', boolean]>([
  ['same', '50.00', '50.0', 'number', true], ['same', 'a', 'b', 'text', false], ['differs', 'a', 'b', 'text', true],
  ['after', '2027-02-14', '2027-02-13', 'text', true], ['after', '2027-02-14', '2027-02-14', 'text', false], ['not-before', '2027-02-14', '2027-02-14', 'text', true],
  ['before', '09:30', '09:30:00', 'text', false], ['not-after', '09:30', '09:30:00', 'text', true], ['before', '09:30', '09:30:01', 'text', true],
  ['above', '100', '99.99', 'number', true], ['above', '9', '10', 'number', false], ['below', '-2', '-1', 'number', true],
])('%s: %s against %s as %s is %s', (op, value, other, by, isSo) => {
  expect(says(op, value, other, by).verdict).toBe(isSo ? 'pass' : 'fail');
}); // biome-ignore format: a table

test('days are counted as the calendar counts them', () => {
  const day = fc.integer({ min: 0, max: 200_000 }).map((days) => addDays('1900-01-01', days));
  fc.assert(
    fc.property(day, fc.integer({ min: -400, max: 400 }), fc.nat(400), (other, apart, days) => {
      const value = addDays(other, apart);
      expect(says('at-most-days', value, other, 'text', days).verdict).toBe(apart <= days ? 'pass' : 'fail');
      expect(says('at-least-days', value, other, 'text', days).verdict).toBe(apart >= days ? 'pass' : 'fail');
    }),
  );
});

test('tells both sides for a message, and compares nothing with nothing', () => {
  expect(says('after', '2027-02-13', '2027-02-14', 'text')).toEqual({
    verdict: 'fail',
    code: 'differs',
    data: { value: '2027-02-13', other: 'shown 2027-02-14', 'other-label': 'Other', days: '0' },
  });
  expect(says('after', '2027-02-13', null, 'text').verdict).toBe('pass');
});

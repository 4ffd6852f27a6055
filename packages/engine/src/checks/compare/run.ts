import type { Validator } from '../../rules/checks.ts';
import type { Comparison } from '../../rules/comparison.ts';
import { passed } from '../../rules/finding.ts';
import { saidOf } from '../../rules/said.ts';
import { compare as order } from '../../values/decimal.ts';

/**
 * Whether the value compares with another field's as it must: code `differs`. It passes if one of the two
 * has no value.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { compare });
 */
export const compare: Validator<'compare'> = (own, body, { op, field, days = 0, by }, { others }) => {
  const { kind, plan } = own;
  const value = kind.value(plan, body);
  const other = others[field];
  if (value === null || !other || other.value === null) return passed;
  const side = by === 'number' ? order(value, other.value) : order8601(value, other.value);
  // Dates without time are read as UTC (ECMAScript, Date.parse), where every day has 24 hours.
  const apart = (Date.parse(value) - Date.parse(other.value)) / 86_400_000;
  if (holdsFor[op](side, apart - days)) return passed;
  const shown = { value: saidOf(own, body), other: other.display };
  const data = { ...shown, 'other-label': other.label, days: String(days) };
  return { verdict: 'fail', code: 'differs', data };
};

/**
 * Negative, 0 or positive as `a` is before, equal to, or after `b`. If one of two times has no seconds, they
 * count as zero.
 */
function order8601(a: string, b: string): number {
  const [x, y] = [a, b].map((text) => (/^\d\d:\d\d$/.test(text) ? `${text}:00` : text)) as [string, string];
  return x < y ? -1 : x > y ? 1 : 0;
}

/** Whether a comparison holds, given the order of the two values and the number of days beyond the limit. */
const holdsFor: Readonly<Record<Comparison, (side: number, further: number) => boolean>> = {
  same: (side) => side === 0,
  differs: (side) => side !== 0,
  after: (side) => side > 0,
  above: (side) => side > 0,
  before: (side) => side < 0,
  below: (side) => side < 0,
  'not-before': (side) => side >= 0,
  'not-after': (side) => side <= 0,
  'at-most-days': (_, further) => further <= 0,
  'at-least-days': (_, further) => further >= 0,
};

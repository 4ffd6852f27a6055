import { evaluate } from '@arbeit/engine/field';
import type { Evaluate } from './store.ts';

/**
 * `evaluate` with a clock: the fixed day `today` (ISO 8601), or the device's day at each evaluation.
 *
 * @example
 * const live = createStore(pass, evaluateOn());
 */
export const evaluateOn =
  (today?: string): Evaluate =>
  (field, state) =>
    evaluate(field, state, today ?? localToday());

/**
 * The date on this device (ISO 8601). Limits such as `today` are measured from it.
 *
 * @example
 * localToday(new Date(2027, 1, 10)); // '2027-02-10'
 */
export function localToday(now = new Date()): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

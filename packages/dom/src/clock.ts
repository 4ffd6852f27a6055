import { evaluate } from '@arbeit/engine/field';
import type { Evaluate } from './store.ts';

/** `read` with a clock: a fixed day (ISO 8601), or, left out, the day it is on the device at each reading. */
export const evaluateOn =
  (today?: string): Evaluate =>
  (field, state) =>
    evaluate(field, state, today ?? localToday());

/** The date here and now, ISO 8601, by the device's own calendar: what limits such as `today` are measured from. */
export function localToday(now = new Date()): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

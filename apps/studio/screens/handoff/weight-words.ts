import * as words from '../../words/handoff/weight-words.ts';
import type { Made } from './made.ts';

/** Bytes as kilobytes (SI), with one decimal. */
export const inKilobytes = (bytes: number): string =>
  bytes < 1000 ? `${bytes} B` : words.kB((bytes / 1000).toFixed(bytes < 100_000 ? 1 : 0));

/** Each component in the bars with the number of its colour, the largest first. */
export function inksOf(weights: Made['weights']): ReadonlyMap<string, number> {
  const whole = new Map<string, number>();
  for (const { parts } of weights)
    for (const { name, bytes } of parts) whole.set(name, (whole.get(name) ?? 0) + bytes);
  const sorted = [...whole].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1));
  return new Map(sorted.map(([name], i) => [name, i]));
}

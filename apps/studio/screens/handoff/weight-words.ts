import type { Made } from './made.ts';

/** Bytes for people, in thousands of them (SI): a tenth is as fine as anybody chooses by. */
export const inKilobytes = (bytes: number): string =>
  bytes < 1000 ? `${bytes} B` : `${(bytes / 1000).toFixed(bytes < 100_000 ? 1 : 0)} kB`;

/** Each part that is somewhere in the bars, the heaviest first, with the number of its ink. */
export function inksOf(weights: Made['weights']): ReadonlyMap<string, number> {
  const whole = new Map<string, number>();
  for (const { parts } of weights)
    for (const { name, bytes } of parts) whole.set(name, (whole.get(name) ?? 0) + bytes);
  const sorted = [...whole].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1));
  return new Map(sorted.map(([name], i) => [name, i]));
}

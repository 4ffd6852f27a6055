/**
 * The change between two texts: `start` to `end` of the first was replaced by `text`. Offsets in UTF-16
 * units.
 */
export interface Difference {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/**
 * The one stretch that was replaced. `caret` is where the caret was afterwards: what was typed ends there,
 * which tells which of two equal characters is the new one.
 */
export function difference(before: string, after: string, caret: number): Difference {
  const most = Math.min(before.length, after.length - caret);
  let tail = 0;
  while (tail < most && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail++;
  const room = Math.min(before.length, after.length) - tail;
  let start = 0;
  while (start < room && before[start] === after[start]) start++;
  return { start, end: before.length - tail, text: after.slice(start, after.length - tail) };
}

import { type Difference, difference } from './difference.ts';

/** Where the selection stood, and in what text, before the browser changed it by itself. */
export interface Range {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/**
 * What became of a text, told by the range that is known to have been replaced: what stands there now is what was typed,
 * however much of it looks like what was there before. `undefined` where something else than that range has changed.
 */
export function replaced({ text, start, end }: Range, now: string): Difference | undefined {
  const tail = text.slice(end);
  const fits =
    now.length >= start + tail.length && now.startsWith(text.slice(0, start)) && now.endsWith(tail);
  return fits ? { start, end, text: now.slice(start, now.length - tail.length) } : undefined;
}

/** The same from the range where that is known, else the one stretch that is different. */
export const changeOf = (range: Range | null, before: string, now: string, caret: number): Difference =>
  (range && range.text === before ? replaced(range, now) : undefined) ?? difference(before, now, caret);

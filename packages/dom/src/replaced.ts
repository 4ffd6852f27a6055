import { type Difference, difference } from './difference.ts';

/** Text and selection before the browser changed them itself. */
export interface Range {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/**
 * The change of a text, given the range that was replaced: what is there now was typed, even if it looks like
 * the old text. `undefined` if something outside that range has changed.
 */
export function replaced({ text, start, end }: Range, now: string): Difference | undefined {
  const tail = text.slice(end);
  const fits =
    now.length >= start + tail.length && now.startsWith(text.slice(0, start)) && now.endsWith(tail);
  return fits ? { start, end, text: now.slice(start, now.length - tail.length) } : undefined;
}

/** The change from the range if it is known, otherwise the one stretch that differs. */
export const changeOf = (range: Range | null, before: string, now: string, caret: number): Difference =>
  (range && range.text === before ? replaced(range, now) : undefined) ?? difference(before, now, caret);

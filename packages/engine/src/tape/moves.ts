import type { FieldState } from '../field/field-state.ts';
import { graphemes } from '../values/graphemes.ts';

/** The offset where the line of an offset starts. */
export const startOfLine = (display: string, from: number): number =>
  from === 0 ? 0 : display.lastIndexOf('\n', from - 1) + 1;

/** The offset where it ends. */
export const endOfLine = (display: string, from: number): number => {
  const end = display.indexOf('\n', from);
  return end < 0 ? display.length : end;
};

/** Where the up or down key moves the caret in a text with several lines: to the same column. */
export function beside(
  { body: { display }, start, end }: FieldState,
  to: 'up' | 'down',
  times: number,
): number {
  const from = to === 'up' ? start : end;
  const column = from - startOfLine(display, from);
  let at = from;
  for (let i = 0; i < times; i++) {
    const first = startOfLine(display, at);
    if (to === 'up' && first === 0) return 0;
    const end = endOfLine(display, at);
    if (to === 'down' && end === display.length) return display.length;
    const next = to === 'up' ? startOfLine(display, first - 1) : end + 1;
    at = Math.min(next + column, endOfLine(display, next));
  }
  return at;
}

/**
 * Where an arrow key moves the caret: one character of the display. A selection first collapses to its side.
 */
export function arrow({ body, start, end }: FieldState, to: 'left' | 'right', times: number): number {
  const stops = [0];
  for (const character of graphemes(body.display)) stops.push(stops.at(-1)! + character.length);
  const by = start === end ? times : times - 1;
  const from = stops.findLastIndex((stop) => stop <= (to === 'left' ? start : end));
  return stops[Math.max(0, Math.min(stops.length - 1, to === 'left' ? from - by : from + by))]!;
}

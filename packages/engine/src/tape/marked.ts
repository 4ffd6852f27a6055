/**
 * A display with its caret or selection drawn in, as tapes write it.
 *
 * @example
 * marked('1234', [2, 2]); // '12|34'
 */
export function marked(display: string, caret?: readonly [number, number]): string {
  const piece = (from: number, to?: number) => display.slice(from, to).replaceAll('|', '\\|');
  if (!caret) return piece(0);
  const [start, end] = caret;
  const middle = start === end ? '' : `${piece(start, end)}|`;
  return `${piece(0, start)}|${middle}${piece(end)}`;
}

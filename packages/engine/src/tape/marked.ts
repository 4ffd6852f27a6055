/** A display with its caret drawn in, the way a tape writes it. */
export function marked(display: string, caret?: readonly [number, number]): string {
  const piece = (from: number, to?: number) => display.slice(from, to).replaceAll('|', '\\|');
  if (!caret) return piece(0);
  const [start, end] = caret;
  const middle = start === end ? '' : `${piece(start, end)}|`;
  return `${piece(0, start)}|${middle}${piece(end)}`;
}

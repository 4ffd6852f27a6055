import type { FieldEvent, FieldState } from '@arbeit/engine/field';
import type { Difference } from './difference.ts';

/**
 * Dispatches a change of the text as the edit it most likely was. `caret` is where the caret is in the new
 * text: one inside what was inserted stays after the same character. `wasSelected`: what was removed was
 * selected, and not a key's choice.
 */
export function dispatchChange(
  dispatch: (event: FieldEvent) => FieldState,
  { start, end, text }: Difference,
  caret: number,
  { isForward = false, wasSelected = false } = {},
): void {
  // A single removed character may be fixed text: then the character beside it is meant.
  const isKey = text === '' && end - start === 1 && !wasSelected;
  const at = isForward ? start : end;
  dispatch({ type: 'select', start: isKey ? at : start, end: isKey ? at : end });
  if (text === '') dispatch({ type: isForward ? 'delete' : 'backspace' });
  else insertAt(dispatch, text, start, caret);
}

/** Inserts what is in a text from `start` on. A caret inside it stays after the same character. */
export function insertAt(
  dispatch: (event: FieldEvent) => FieldState,
  text: string,
  start: number,
  caret: number,
): void {
  const split = caret > start && caret < start + text.length ? caret - start : text.length;
  const { start: at } = dispatch({ type: 'insert', text: text.slice(0, split) });
  if (split === text.length) return;
  dispatch({ type: 'insert', text: text.slice(split) });
  dispatch({ type: 'select', start: at, end: at });
}

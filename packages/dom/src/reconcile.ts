import { type Bound, dispatch } from './bound.ts';
import { changeOf, type Range } from './replaced.ts';

/** Takes over a text that the browser or somebody else has put there, as the edit it most likely was. */
export function reconcile(bound: Bound, inputType: string | null, range: Range | null = null): void {
  const { input, store } = bound;
  const { value } = input;
  const { display } = store.state().body;
  bound.shown = value;
  if (inputType === null) {
    dispatch(bound, { type: 'set', text: value });
    return;
  }
  if (inputType === '') {
    dispatch(bound, { type: 'autofill', text: value });
    return;
  }
  const { start, end, text } = changeOf(range, display, value, input.selectionStart ?? value.length);
  const isWhole = start === 0 && end === display.length && display !== '' && text.length > 1;
  if (isWhole && inputType === 'insertReplacementText') {
    dispatch(bound, { type: 'autofill', text });
    return;
  }
  const isForward = inputType === 'deleteContentForward';
  // A single removed character may be fixed text: then the character beside it is meant.
  const isKey = text === '' && end - start === 1;
  const at = isForward ? start : end;
  dispatch(bound, { type: 'select', start: isKey ? at : start, end: isKey ? at : end });
  if (text === '') dispatch(bound, { type: isForward ? 'delete' : 'backspace' });
  else put(bound, text, start);
}

/** Inserts what the input contains from an offset on. A caret inside stays after the same character. */
export function put(bound: Bound, text: string, from: number): void {
  const caret = bound.input.selectionStart ?? from + text.length;
  const split = caret > from && caret < from + text.length ? caret - from : text.length;
  const { start: at } = dispatch(bound, { type: 'insert', text: text.slice(0, split) });
  if (split === text.length) return;
  dispatch(bound, { type: 'insert', text: text.slice(split) });
  dispatch(bound, { type: 'select', start: at, end: at });
}

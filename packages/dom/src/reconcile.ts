import { type Bound, dispatch } from './bound.ts';
import { dispatchChange, insertAt } from './change.ts';
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
  dispatchChange(
    (event) => dispatch(bound, event),
    { start, end, text },
    input.selectionStart ?? start + text.length,
    { isForward: inputType === 'deleteContentForward' },
  );
}

/** Inserts what the input contains from an offset on. */
export function put(bound: Bound, text: string, from: number): void {
  const caret = bound.input.selectionStart ?? from + text.length;
  insertAt((event) => dispatch(bound, event), text, from, caret);
}

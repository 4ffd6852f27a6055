import { dispatchChange } from './change.ts';
import { type Difference, difference } from './difference.ts';
import { type Range, replaced } from './replaced.ts';
import type { FieldStore } from './store.ts';

/** What a text control contains after an edit that was not announced. */
export interface TakenText {
  readonly text: string;
  /** Where its caret is, in UTF-16 units, if the platform says so with the text. */
  readonly caret?: number | undefined;
  /**
   * The last notice about the caret, if no text came since: where it puts the caret, and the selection
   * before. Some platforms send the notice about an edit before its text, others after it.
   */
  readonly noticed?: (Pick<Range, 'start' | 'end'> & { readonly caret: number }) | undefined;
}

/** A change, and where it leaves the caret of the control. */
interface Edit extends Difference {
  readonly caret: number;
  /** Whether the key removed the character after the caret. */
  readonly isForward: boolean;
  /** Whether the replaced text was selected. */
  readonly wasSelected: boolean;
}

/**
 * The edit that made `text` out of a range, if the range was replaced or a character beside it was deleted.
 */
function editAt(range: Range, text: string): Edit | undefined {
  const { text: before, start, end } = range;
  const typed = replaced(range, text);
  const wasSelected = start < end;
  if (typed) return { ...typed, caret: start + typed.text.length, isForward: false, wasSelected };
  if (wasSelected || before.length - text.length !== 1) return undefined;
  for (const from of [start - 1, start])
    if (from >= 0 && before.slice(0, from) + before.slice(from + 1) === text)
      return { start: from, end: from + 1, text: '', caret: from, isForward: from === start, wasSelected };
  return undefined;
}

/**
 * Takes over the text of a control that reports an edit only after it was made, such as one of a mobile
 * platform: “the text is now X, the caret is at Y”. The edit is derived from the selection before it; if that
 * does not explain the text, from the one stretch that differs. Returns where the edit has left the caret of
 * the control. The control must show the display and the selection of the store afterwards.
 *
 * @example
 * takeText(store, { text: '12' });
 */
export function takeText(store: FieldStore, { text, caret, noticed }: TakenText): number {
  const { body, start, end } = store.state();
  const { display } = body;
  if (text === display) return caret ?? end;
  const from = noticed && editAt({ ...noticed, text: display }, text);
  // The notice about the caret came first if the edit leaves the caret where it says.
  const found = from && from.caret === noticed.caret ? from : editAt({ text: display, start, end }, text);
  const behind = caret ?? found?.caret ?? Math.max(0, text.length - (display.length - end));
  const edit = found ?? difference(display, text, behind);
  const isWhole = edit.start === 0 && edit.end === display.length && edit.text.length > 1;
  if (isWhole && display !== '' && !found) {
    store.dispatch({ type: 'autofill', text });
    return text.length;
  }
  dispatchChange(store.dispatch, edit, behind, found);
  return behind;
}

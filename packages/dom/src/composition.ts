import { type Bound, show, tell } from './bound.ts';
import { put, reconcile } from './reconcile.ts';
import { changeOf } from './replaced.ts';

/** Ends a composition: what replaced its selection is one insertion. */
export function endComposition(bound: Bound): void {
  const range = bound.composing;
  if (!range) return;
  bound.composing = null;
  const { value } = bound.input;
  if (value === range.text) return;
  // If the text was overwritten during the composition, it does not count as typed.
  const isTyped =
    value.startsWith(range.text.slice(0, range.start)) && value.endsWith(range.text.slice(range.end));
  if (!isTyped) reconcile(bound, null);
  else if (bound.store.state().body.display === range.text) reconcile(bound, 'insertText', range);
  else {
    const { start, text } = changeOf(range, range.text, value, value.length);
    put(bound, text, start);
  }
  show(bound);
  tell(bound, 'input', { inputType: 'insertCompositionText' });
}

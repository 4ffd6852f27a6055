import { type Bound, dispatch, show } from './bound.ts';
import { endComposition } from './composition.ts';
import { endDrag } from './drag.ts';
import { reconcile } from './reconcile.ts';

/** Takes over what somebody else put into the input, including a composition that nobody ended. */
export function catchUp(bound: Bound): void {
  endComposition(bound);
  if (bound.dragged && bound.input.value !== bound.dragged.text) endDrag(bound);
  if (bound.input.value === bound.shown) return;
  reconcile(bound, null);
  show(bound);
}

/** Takes over the browser's selection; if the text is not the field's either, that first. */
export function takeOver(bound: Bound): void {
  catchUp(bound);
  const { input, store } = bound;
  const { start, end } = store.state();
  const from = input.selectionStart ?? start;
  const to = input.selectionEnd ?? end;
  if (from !== start || to !== end) dispatch(bound, { type: 'select', start: from, end: to });
}

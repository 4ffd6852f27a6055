import { apply } from '@arbeit/engine/field';
import { type Bound, dispatch, hasFocus, show, tellChange } from './bound.ts';
import { catchUp, takeOver } from './catch-up.ts';
import { endComposition } from './composition.ts';

/** The caret was moved, by whatever means. */
function onSelectionChange(bound: Bound): void {
  const { input, store } = bound;
  if (bound.composing || bound.dragged || !hasFocus(bound)) return;
  if (input.value !== store.state().body.display) return;
  takeOver(bound);
  // The field may keep the caret off its signs.
  show(bound);
}

function onFocus(bound: Bound): void {
  const { input, store } = bound;
  // Back from another window the field was never left: caret and selection stay.
  if (store.state().focused) {
    takeOver(bound);
    show(bound);
    return;
  }
  catchUp(bound);
  bound.settled = store.reading().raw;
  dispatch(bound, { type: 'focus' });
  // A pointer says itself where the caret goes.
  if (bound.isPressed && input.value === store.state().body.display) takeOver(bound);
  show(bound);
}

function onBlur(bound: Bound): void {
  endComposition(bound);
  // The window was left, not the field: it is still the one that keys would go to.
  if (hasFocus(bound)) return;
  dispatch(bound, { type: 'leave' });
  show(bound);
  tellChange(bound);
}

/** Clicked anywhere, an empty line of blanks starts at its first cell. */
function onClick(bound: Bound): void {
  const { store } = bound;
  bound.isPressed = false;
  if (bound.composing) return;
  takeOver(bound);
  const state = store.state();
  if (state.body.content || state.start < state.end) return;
  const { start } = apply(store.field, state, { type: 'focus' });
  dispatch(bound, { type: 'select', start, end: start });
  show(bound);
}

function onInvalid(bound: Bound, event: Event): void {
  // The message has its own place on the page; the browser's bubble would cover it.
  event.preventDefault();
  catchUp(bound);
  if (bound.host.isAsking()) return;
  dispatch(bound, { type: 'submit' });
  show(bound);
}

/** Listens to who is there: focus, caret and pointer, and the browser asking whether what stands there is valid. */
export function listenToPresence(bound: Bound, signal: AbortSignal): { watchSelection(isOn: boolean): void } {
  const { input, store } = bound;
  const onMove = (): void => onSelectionChange(bound);
  let watched: readonly Node[] = [];
  const watchSelection = (isOn: boolean): void => {
    for (const page of watched) page.removeEventListener('selectionchange', onMove);
    // Inside a shadow tree the event of a text control does not get out (Selection API); of older browsers it comes at the document alone.
    watched = isOn ? [...new Set([input.ownerDocument, input.getRootNode()])] : [];
    for (const page of watched) page.addEventListener('selectionchange', onMove);
  };
  const on = (type: string, listener: (event: Event) => void): void =>
    input.addEventListener(type, listener, { signal });
  on('focus', () => {
    watchSelection(true);
    onFocus(bound);
  });
  on('blur', () => {
    watchSelection(false);
    onBlur(bound);
  });
  on('pointerdown', () => {
    bound.isPressed = true;
  });
  on('click', () => onClick(bound));
  on('change', (event) => {
    if (!event.isTrusted) return;
    catchUp(bound);
    bound.settled = store.reading().raw;
  });
  bound.host.element.addEventListener('invalid', (event) => onInvalid(bound, event), { signal });
  return { watchSelection };
}

import { apply } from '@arbeit/engine/field';
import { type Bound, dispatch, hasFocus, place, selected, show, tellChange } from './bound.ts';
import { catchUp, takeOver } from './catch-up.ts';
import { endComposition } from './composition.ts';

/**
 * The caret was moved, by whatever means: the field may keep it off its signs. Asked for before each key as well, since a key may come before the
 * event that tells of the caret.
 */
export function onSelectionChange(bound: Bound): void {
  const { input, store } = bound;
  if (bound.composing || bound.dragged || !hasFocus(bound)) return;
  if (input.value !== store.state().body.display) return;
  takeOver(bound);
  show(bound);
}

function onFocus(bound: Bound): void {
  const { input, store, left } = bound;
  bound.left = null;
  // Back from another window the field was never left: caret and selection stay.
  if (store.state().focused) {
    takeOver(bound);
    show(bound);
    return;
  }
  catchUp(bound);
  bound.settled = store.reading().raw;
  // Tab selects all, and a program may select before it focuses. What was selected when the field was left is nobody's wish any more.
  const given = selected(bound);
  const isWished =
    given.start < given.end &&
    given.text === store.state().body.display &&
    !(left?.text === given.text && left.start === given.start && left.end === given.end);
  dispatch(bound, { type: 'focus' });
  if (bound.isPressed) {
    // A pointer says itself where the caret goes.
    if (input.value === store.state().body.display) takeOver(bound);
    show(bound);
    return;
  }
  if (isWished && store.state().body.display === given.text)
    dispatch(bound, { type: 'select', start: given.start, end: given.end });
  show(bound);
  place(bound);
}

function onBlur(bound: Bound): void {
  endComposition(bound);
  // The window was left, not the field: it is still the one that keys would go to.
  if (hasFocus(bound)) return;
  dispatch(bound, { type: 'leave' });
  show(bound);
  bound.left = selected(bound);
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

/** Listens to who is there: focus, caret and pointer. */
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
  return { watchSelection };
}

import { apply } from '@arbeit/engine/field';
import { type Bound, dispatch, hasFocus, place, selected, show, tellChange } from './bound.ts';
import { catchUp, takeOver } from './catch-up.ts';
import { endComposition } from './composition.ts';
import { tellHost } from './host.ts';
import type { Range } from './replaced.ts';

/**
 * Takes over a moved caret; the field may keep it off fixed text. Also called before each key, because a key
 * may come before the event about the caret.
 */
export function onSelectionChange(bound: Bound): void {
  const { input, store } = bound;
  if (bound.composing || bound.dragged || !hasFocus(bound)) return;
  if (input.value !== store.state().body.display) return;
  takeOver(bound);
  show(bound);
}

function onFocus(bound: Bound): void {
  const { input, store } = bound;
  // On return from another window the field was never blurred: caret and selection stay.
  if (store.state().focused) {
    takeOver(bound);
    show(bound);
    return;
  }
  catchUp(bound);
  bound.settled = store.evaluation().raw;
  const given = selected(bound);
  const isStill = given.text === store.state().body.display;
  dispatch(bound, { type: 'focus' });
  const { display } = store.state().body;
  if (bound.isPressed) {
    // With a pointer, the event itself tells where the caret goes.
    if (input.value === display) takeOver(bound);
    show(bound);
  } else if (isStill && display === given.text) {
    // The browser restores the caret or selection and reports it.
    if (given.start < given.end) takeOver(bound);
    tellHost(bound.host, store.evaluation());
  } else {
    if (isStill && isAllWished(bound, given))
      dispatch(bound, { type: 'select', start: 0, end: display.length });
    show(bound);
    place(bound);
  }
}

/**
 * Whether everything must be selected when the text changes with the focus. Tab selects all before the focus
 * event, and so does a program in Firefox. Chromium selects afterwards and until then returns the selection
 * of the last time; WebKit always returns 0.
 */
function isAllWished({ left, parked }: Bound, { text, start, end }: Range): boolean {
  if (text === '') return false;
  if (start === 0 && end === text.length) return true;
  const isStale = start === left.start && end === left.end && !(start === parked && end === parked);
  return isStale && !navigator.vendor.startsWith('Apple');
}

function onBlur(bound: Bound): void {
  endComposition(bound);
  // The window lost the focus, not the field: keys would still go to it.
  if (hasFocus(bound)) return;
  bound.left = selected(bound);
  dispatch(bound, { type: 'leave' });
  show(bound);
  tellChange(bound);
}

/** Puts the caret at the first cell after a click anywhere into an empty line of blanks. */
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

/** Listens to focus, caret and pointer. */
export function listenToPresence(bound: Bound, signal: AbortSignal): { watchSelection(isOn: boolean): void } {
  const { input, store } = bound;
  const onMove = (): void => onSelectionChange(bound);
  let watched: readonly Node[] = [];
  const watchSelection = (isOn: boolean): void => {
    for (const page of watched) page.removeEventListener('selectionchange', onMove);
    // Inside a shadow tree the event of a text control does not leave it (Selection API); older browsers
    // send it to the document only.
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
    bound.settled = store.evaluation().raw;
  });
  return { watchSelection };
}

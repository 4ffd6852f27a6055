import { apply } from '@arbeit/engine/field';
import { type Bound, dispatch, hasFocus, show, tellChange } from './bound.ts';
import { catchUp, takeOver } from './catch-up.ts';
import { endComposition } from './composition.ts';

/** Listens to who is there: focus, caret and pointer, and the browser asking whether what stands there is valid. */
export function listenToPresence(bound: Bound, signal: AbortSignal): { watchSelection(isOn: boolean): void } {
  const { input, store, host } = bound;
  let isByPointer = false;

  const onSelectionChange = (): void => {
    if (bound.composing || bound.dragged || !hasFocus(bound)) return;
    if (input.value !== store.state().body.display) return;
    takeOver(bound);
    // The field may keep the caret off its signs.
    show(bound);
  };
  const watchSelection = (isOn: boolean): void => {
    const page = input.ownerDocument;
    if (isOn) page.addEventListener('selectionchange', onSelectionChange);
    else page.removeEventListener('selectionchange', onSelectionChange);
  };

  const onFocus = (): void => {
    watchSelection(true);
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
    if (isByPointer && input.value === store.state().body.display) takeOver(bound);
    show(bound);
  };
  const onBlur = (): void => {
    endComposition(bound);
    watchSelection(false);
    // The window was left, not the field: it is still the one that keys would go to.
    if (hasFocus(bound)) return;
    dispatch(bound, { type: 'leave' });
    show(bound);
    tellChange(bound);
  };
  const onPointerDown = (): void => {
    isByPointer = true;
  };
  /** Clicked anywhere, an empty line of blanks starts at its first cell. */
  const onClick = (): void => {
    isByPointer = false;
    if (bound.composing) return;
    takeOver(bound);
    const state = store.state();
    if (state.body.content || state.start < state.end) return;
    const { start } = apply(store.field, state, { type: 'focus' });
    dispatch(bound, { type: 'select', start, end: start });
    show(bound);
  };
  const onChange = (event: Event): void => {
    if (!event.isTrusted) return;
    catchUp(bound);
    bound.settled = store.reading().raw;
  };
  const onInvalid = (event: Event): void => {
    // The message has its own place on the page; the browser's bubble would cover it.
    event.preventDefault();
    catchUp(bound);
    if (host.isAsking()) return;
    dispatch(bound, { type: 'submit' });
    show(bound);
  };

  input.addEventListener('focus', onFocus, { signal });
  input.addEventListener('blur', onBlur, { signal });
  input.addEventListener('pointerdown', onPointerDown, { signal });
  input.addEventListener('click', onClick, { signal });
  input.addEventListener('change', onChange, { signal });
  input.addEventListener('invalid', onInvalid, { signal });
  return { watchSelection };
}

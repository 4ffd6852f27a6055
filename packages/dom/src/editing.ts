import { type Bound, carryOut, selected, show, tell, tellChange } from './bound.ts';
import { takeOver } from './catch-up.ts';
import { endComposition } from './composition.ts';
import { endDrag, endMove } from './drag.ts';
import { historyKey } from './history-keys.ts';
import { eventFor } from './input-types.ts';
import { onSelectionChange } from './presence.ts';
import { reconcile } from './reconcile.ts';
import { isConcealed } from './secret.ts';

function beginComposition(bound: Bound): void {
  takeOver(bound);
  bound.composing = selected(bound);
}

/**
 * Handles an edit that the browser announces: what the field can do itself it does instead of the browser.
 */
function onBeforeInput(bound: Bound, event: InputEvent): void {
  const { inputType, isComposing } = event;
  if (bound.composing && !isComposing && inputType !== 'insertCompositionText') endComposition(bound);
  // A composition that continues after it had to be treated as ended.
  if (!bound.composing && isComposing) beginComposition(bound);
  if (bound.composing || bound.input.readOnly) return;
  if (bound.dragged && /^(?:deleteByDrag|insertFromDrop)$/.test(inputType)) return;
  takeOver(bound);
  bound.announced = selected(bound);
  if (!event.cancelable) return;
  const then = eventFor(event, bound.store.state());
  if (!then) return;
  event.preventDefault();
  carryOut(bound, then, { inputType, data: event.data });
}

/** Handles a change that was not announced, as the edit it most likely was. */
function onInput(bound: Bound, event: Event): void {
  if (bound.isTelling) return;
  const { input, store } = bound;
  const { inputType = '', isComposing } = event as InputEvent;
  if (bound.composing) {
    if (!isComposing && inputType !== 'insertCompositionText') endComposition(bound);
    return;
  }
  if (bound.dragged) {
    endMove(bound, inputType);
    return;
  }
  if (input.value === store.state().body.display) return;
  reconcile(bound, inputType, bound.announced);
  bound.announced = null;
  const left = input.value;
  show(bound);
  if (input.value !== left) tell(bound, 'input', { inputType });
}

function onKeyDown(bound: Bound, event: KeyboardEvent): void {
  const { start, end } = bound.store.state();
  // A key may arrive before the `selectionchange` that moves the caret; usually nothing has changed.
  if (bound.input.selectionStart !== start || bound.input.selectionEnd !== end) onSelectionChange(bound);
  // A key outside a composition means that it is over; keyboards that compose send 229.
  if (bound.composing && !event.isComposing && event.keyCode !== 229) endComposition(bound);
  if (event.key === 'Enter' && !bound.composing) tellChange(bound);
  if (event.altKey || bound.composing || bound.input.readOnly) return;
  const type = historyKey(event) ?? stepKey(event, bound.store.field.kind.step !== undefined);
  if (!type) return;
  event.preventDefault();
  takeOver(bound);
  const inputType = { undo: 'historyUndo', redo: 'historyRedo' }[type as 'undo'];
  carryOut(bound, [{ type }], { inputType: inputType ?? 'insertReplacementText' });
}

/**
 * Prevents copying, cutting and dragging from a concealed field, revealed or not, as browsers do for
 * passwords. Security relevant.
 */
function keepSecret({ store }: Bound, event: Event): boolean {
  if (!isConcealed(store.field)) return false;
  event.preventDefault();
  return true;
}

function onCut(bound: Bound, event: ClipboardEvent): void {
  if (keepSecret(bound, event)) return;
  if (bound.input.readOnly || bound.composing || !event.clipboardData) return;
  takeOver(bound);
  const { start, end, body } = bound.store.state();
  if (start === end) return;
  event.preventDefault();
  event.clipboardData.setData('text/plain', body.display.slice(start, end));
  carryOut(bound, [{ type: 'cut' }], { inputType: 'deleteByCut' });
}

function onDragStart(bound: Bound, event: Event): void {
  if (keepSecret(bound, event) || bound.input.readOnly) return;
  takeOver(bound);
  const range = selected(bound);
  if (range.start < range.end) bound.dragged = range;
}

/** Listens to keys, insertions, compositions, cuts and drags. Each is handled in the task of its event. */
export function listenToEdits(bound: Bound, signal: AbortSignal): void {
  const on = <T extends Event>(type: string, listener: (bound: Bound, event: T) => void): void =>
    bound.input.addEventListener(type, (event) => listener(bound, event as T), { signal });
  on('beforeinput', onBeforeInput);
  on('input', onInput);
  on('compositionstart', beginComposition);
  on('compositionend', endComposition);
  on('keydown', onKeyDown);
  on('cut', onCut);
  on('copy', keepSecret);
  on('dragstart', onDragStart);
  on('dragend', endDrag);
}

/** Handles arrow keys that step a number or a part of a date. Returns whether the key was one. */
function stepKey(
  { key, shiftKey, ctrlKey, metaKey }: KeyboardEvent,
  hasSteps: boolean,
): 'up' | 'down' | undefined {
  if (shiftKey || ctrlKey || metaKey || !hasSteps) return undefined;
  return key === 'ArrowUp' ? 'up' : key === 'ArrowDown' ? 'down' : undefined;
}

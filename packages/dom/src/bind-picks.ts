import { type FieldEvent, joinValues, pickedValues } from '@arbeit/engine/field';
import { type Attachment, attach, hasFocus, tellOf } from './attach.ts';
import { historyKey } from './history-keys.ts';
import { type Host, nativeHost } from './host.ts';
import type { FieldStore } from './store.ts';

/** Native controls bound to a field whose value is picked. */
interface Picks {
  readonly element: HTMLElement;
  readonly store: FieldStore;
  /** The element itself if it is a `<select>`; otherwise it contains radio buttons or checkboxes. */
  readonly select: HTMLSelectElement | null;
  /** The control whose validity (`setCustomValidity`) represents the whole group. */
  readonly head: HTMLSelectElement | HTMLInputElement | undefined;
  readonly host: Host;
  /** What was picked when the page was last read. Anything else was picked by somebody else. */
  shown: string;
}

const boxesIn = (element: HTMLElement): HTMLInputElement[] => [...element.querySelectorAll('input')];

const isFixed = ({ store }: Picks): boolean => store.field.html.readonly === true;

/** The values picked on the page, as the raw value lists them. */
const pickedIn = ({ element, store, select }: Pick<Picks, 'element' | 'store' | 'select'>): string =>
  select
    ? select.value
    : joinValues(
        store.field,
        boxesIn(element).flatMap((box) => (box.checked ? [box.value] : [])),
      );

function show(picks: Picks): void {
  const { element, select, store } = picks;
  const { raw } = store.evaluation();
  if (pickedIn(picks) !== raw) {
    const values = pickedValues(store.field, raw);
    if (select) select.value = raw;
    else for (const box of boxesIn(element)) box.checked = values.includes(box.value);
  }
  picks.shown = pickedIn(picks);
  tellOf(picks);
}

/** Takes over what is picked on the page. What the field refuses is undone on the page. */
function takeOver(picks: Picks): void {
  const text = pickedIn(picks);
  if (text !== picks.store.evaluation().raw && !isFixed(picks)) picks.store.dispatch({ type: 'set', text });
  show(picks);
}

function catchUp(picks: Picks): void {
  if (pickedIn(picks) !== picks.shown) takeOver(picks);
}

/** Makes the picked values the controls' default, which the browser restores on reset. */
function settle({ element, select, store }: Picks): void {
  const values = pickedValues(store.field, store.evaluation().raw);
  for (const option of select?.options ?? []) option.defaultSelected = values.includes(option.value);
  for (const box of boxesIn(element)) box.defaultChecked = values.includes(box.value);
}

function carryOut(picks: Picks, event: FieldEvent): void {
  const { element, store, select, head } = picks;
  const before = store.state().body;
  store.dispatch(event);
  show(picks);
  if (store.state().body === before) return;
  // Among radio buttons the focus follows the picked one.
  if (!select && hasFocus(picks))
    boxesIn(element)
      .find((box) => box.checked && box.type === 'radio')
      ?.focus();
  for (const type of ['input', 'change']) head?.dispatchEvent(new Event(type, { bubbles: true }));
}

function onKeyDown(picks: Picks, event: KeyboardEvent): void {
  if (event.altKey || isFixed(picks)) return;
  const type = meantBy(event, !picks.select && picks.head?.type === 'radio');
  if (!type) return;
  event.preventDefault();
  carryOut(picks, { type });
}

function onFocusIn(picks: Picks): void {
  catchUp(picks);
  if (!picks.store.state().focused) picks.store.dispatch({ type: 'focus' });
}

function onFocusOut(picks: Picks, event: FocusEvent): void {
  // The focus moved to another button of the same field, or to another window: the field is not blurred.
  if (picks.element.contains(event.relatedTarget as Node | null) || hasFocus(picks)) return;
  picks.store.dispatch({ type: 'leave' });
  show(picks);
}

function listen(picks: Picks, signal: AbortSignal): void {
  const on = <T extends Event>(type: string, listener: (picks: Picks, event: T) => void) =>
    picks.element.addEventListener(type, (event) => listener(picks, event as T), { signal });
  on('input', takeOver);
  on('change', takeOver);
  on('keydown', onKeyDown);
  on('focusin', onFocusIn);
  on('focusout', onFocusOut);
}

/** Whether the page still shows its defaults (HTML, dirty checkedness and selectedness). */
const isUntouched = ({ element, select }: Pick<Picks, 'element' | 'select'>): boolean =>
  select
    ? [...select.options].every((option) => option.selected === option.defaultSelected) ||
      // Without a default the browser selects the first option.
      (select.selectedIndex <= 0 && ![...select.options].some((option) => option.defaultSelected))
    : boxesIn(element).every((box) => box.checked === box.defaultChecked);

/**
 * Binds a field whose value is picked to native controls: a `<select>`, or an element around radio buttons
 * or checkboxes with one of the values each. What they have picked is the field's value at once. The arrow
 * keys go through radio buttons in a ring, backspace removes the choice, and undo works as in a line of
 * text. Returns a function that unbinds.
 *
 * @example
 * const unbind = bindPicks(document.querySelector('select')!, store);
 */
export function bindPicks(
  element: HTMLElement,
  store: FieldStore,
  options: { readonly host?: Host } = {},
): () => void {
  const select = element instanceof HTMLSelectElement ? element : null;
  const head = select ?? boxesIn(element)[0];
  const isOneControl = select !== null || element.role === 'radiogroup';
  const host = options.host ?? nativeHost(element, head, () => (isOneControl ? [element] : boxesIn(element)));
  const picks: Picks = { element, store, select, head, host, shown: pickedIn({ element, store, select }) };
  const tied: Attachment = {
    element,
    store,
    host,
    shown: () => pickedIn(picks),
    isUntouched: () => isUntouched(picks),
    expected: () => store.evaluation().raw,
    takeTyped: () => takeOver(picks),
    takeGiven: () => takeOver(picks),
    catchUp: () => catchUp(picks),
    show: () => show(picks),
    settle: () => settle(picks),
    focus: () => onFocusIn(picks),
    end: () => {},
  };
  return attach(tied, (_, signal) => listen(picks, signal));
}

type Meant = 'up' | 'down' | 'undo' | 'redo' | 'backspace';

/**
 * The event a key stands for. Arrow keys only count among radio buttons; elsewhere the browser handles them.
 */
function meantBy(event: KeyboardEvent, isRadio: boolean): Meant | undefined {
  const { key, ctrlKey, metaKey, shiftKey } = event;
  if (ctrlKey || metaKey) return historyKey(event);
  if (key === 'Backspace' || key === 'Delete') return 'backspace';
  if (!isRadio || shiftKey) return undefined;
  const target = event.currentTarget as HTMLElement;
  const isRightToLeft = getComputedStyle(target).direction === 'rtl';
  if (key === 'ArrowDown' || key === (isRightToLeft ? 'ArrowLeft' : 'ArrowRight')) return 'down';
  return key === 'ArrowUp' || key === (isRightToLeft ? 'ArrowRight' : 'ArrowLeft') ? 'up' : undefined;
}

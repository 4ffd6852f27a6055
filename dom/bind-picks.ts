import type { FieldEvent } from '@arbeit/engine/field';
import { joinForm } from './form-part.ts';
import { nativeHost, tellHost } from './host.ts';
import type { FieldStore } from './store.ts';

/** What the controls of an element showed when they were let go: nobody picked that, should another field take them over. */
const lastShown = new WeakMap<HTMLElement, string>();

/** The binding that has an element now: one that comes right after another takes the focus over with it. */
const bindings = new WeakMap<HTMLElement, FieldStore>();

/**
 * Binds a field whose value is picked to native controls: a `<select>`, or an element around radio buttons or boxes to tick,
 * each with one of the values. Keys, clicks and the browser's own filling in are theirs; what they then have picked is
 * the field's at once. The arrow keys go through radio buttons in a ring, backspace takes back what was picked, and undo
 * works as in a line of text. Returns the way to let go again.
 */
export function bindPicks(element: HTMLElement, store: FieldStore): () => void {
  const select = element instanceof HTMLSelectElement ? element : null;
  const boxes = (): HTMLInputElement[] => [...element.querySelectorAll('input')];
  /** The control that stands for them all: what the browser asks whether it is valid. */
  const [head] = select ? [select] : boxes();
  const host = nativeHost(head, () => (select || element.role === 'radiogroup' ? [element] : boxes()));
  const isReadOnly = store.field.html.readonly === true;

  /** The values picked on the page, side by side as the raw value has them. */
  const shownNow = (): string =>
    select
      ? select.value
      : boxes()
          .filter((box) => box.checked)
          .map((box) => box.value)
          .join(' ');

  let shown = shownNow();
  const show = (): void => {
    const { raw } = store.reading();
    if (shownNow() !== raw) {
      const values = raw.split(' ');
      if (select) select.value = raw;
      else for (const box of boxes()) box.checked = values.includes(box.value);
    }
    shown = shownNow();
    tellHost(host, store.reading());
  };
  /** Takes over what was picked, whoever picked it; what the field refuses is put back. */
  const takeOver = (): void => {
    const text = shownNow();
    if (text !== store.reading().raw && !isReadOnly) store.dispatch({ type: 'set', text });
    show();
  };
  const catchUp = (): void => {
    if (shownNow() !== shown) takeOver();
  };
  const settle = (): void => {
    const values = store.reading().raw.split(' ');
    for (const option of select?.options ?? []) option.defaultSelected = values.includes(option.value);
    for (const box of boxes()) box.defaultChecked = values.includes(box.value);
  };

  const carryOut = (event: FieldEvent): void => {
    const before = store.state().body;
    store.dispatch(event);
    show();
    if (store.state().body === before) return;
    // Among radio buttons the focus goes with what is picked.
    if (!select && hasFocus())
      boxes()
        .find((box) => box.checked && box.type === 'radio')
        ?.focus();
    for (const type of ['input', 'change']) head?.dispatchEvent(new Event(type, { bubbles: true }));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.altKey || isReadOnly) return;
    const type = meantBy(event, !select && head?.type === 'radio');
    if (!type) return;
    event.preventDefault();
    carryOut({ type });
  };
  const onFocusIn = (): void => {
    catchUp();
    if (!store.state().focused) store.dispatch({ type: 'focus' });
  };
  const hasFocus = (): boolean =>
    element.contains((element.getRootNode() as Document | ShadowRoot).activeElement);
  const onFocusOut = (event: FocusEvent): void => {
    // On to the next button of the same field, or to another window: it is not left.
    if (element.contains(event.relatedTarget as Node | null) || hasFocus()) return;
    store.dispatch({ type: 'leave' });
    show();
  };
  const onInvalid = (event: Event): void => {
    event.preventDefault();
    if (host.isAsking()) return;
    store.dispatch({ type: 'submit' });
    show();
  };

  const release = new AbortController();
  const { signal } = release;
  element.addEventListener('input', takeOver, { signal });
  element.addEventListener('change', takeOver, { signal });
  element.addEventListener('keydown', onKeyDown, { signal });
  element.addEventListener('focusin', onFocusIn, { signal });
  element.addEventListener('focusout', onFocusOut, { signal });
  element.addEventListener('invalid', onInvalid, { signal, capture: true });
  element.ownerDocument.defaultView?.addEventListener('pageshow', catchUp, { signal });
  joinForm(element, { form: host.form, catchUp, settle }, store, signal);
  const letGo = [
    host.watch(),
    store.subscribe((_, event) => {
      if (event?.type === 'reset') settle();
      show();
    }),
  ];

  // What was picked before the page came alive is the user's, and stays.
  if (shown !== store.reading().raw && shown !== '' && shown !== lastShown.get(element)) takeOver();
  show();
  if (hasFocus()) onFocusIn();
  bindings.set(element, store);
  return () => {
    lastShown.set(element, shownNow());
    release.abort();
    for (const stop of letGo) stop();
    if (bindings.get(element) === store) bindings.delete(element);
    // Taken off the page with the focus in it, the field is left. One bound anew at once was not.
    if (store.state().focused)
      queueMicrotask(() => {
        if (!bindings.has(element) && !(element.isConnected && hasFocus())) store.dispatch({ type: 'leave' });
      });
  };
}

type Meant = 'up' | 'down' | 'undo' | 'redo' | 'backspace';

/** What a key means here, where it means anything: arrow keys only among radio buttons, everywhere else they are the browser's. */
function meantBy(event: KeyboardEvent, isRadio: boolean): Meant | undefined {
  const { key, ctrlKey, metaKey, shiftKey } = event;
  if (ctrlKey || metaKey) {
    const letter = key.toLowerCase();
    return letter === 'z' ? (shiftKey ? 'redo' : 'undo') : letter === 'y' ? 'redo' : undefined;
  }
  if (key === 'Backspace' || key === 'Delete') return 'backspace';
  if (!isRadio || shiftKey) return undefined;
  const target = event.currentTarget as HTMLElement;
  const isRightToLeft = getComputedStyle(target).direction === 'rtl';
  if (key === 'ArrowDown' || key === (isRightToLeft ? 'ArrowLeft' : 'ArrowRight')) return 'down';
  return key === 'ArrowUp' || key === (isRightToLeft ? 'ArrowRight' : 'ArrowLeft') ? 'up' : undefined;
}

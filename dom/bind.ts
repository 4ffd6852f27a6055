import { kindOf } from '../engine/run/kind.ts';
import { apply, type FieldEvent } from '../engine/run/state.ts';
import { difference } from './difference.ts';
import { bindForm } from './form.ts';
import { eventFor } from './input-types.ts';
import type { FieldStore } from './store.ts';

export interface BindOptions {
  /** What a form submits under the input's name: the raw value (default) or the display. */
  readonly submits?: 'raw' | 'display';
}

const nativeValue = (input: HTMLInputElement): PropertyDescriptor =>
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(input), 'value')!;

/** What an input showed when it was let go: nobody typed that, should another field take the input over. */
const lastShown = new WeakMap<HTMLInputElement, string>();

/**
 * Binds a field to a real `<input>` (text, tel, search, url or password). Everything happens in the task of the
 * event: value and selection are set before the handler returns, no timer mends anything afterwards. What the
 * browser changes by itself (composition, suggestions, autofill) is left alone until it is done and then taken
 * over by difference. Returns the way to let go again.
 */
export function bind(input: HTMLInputElement, store: FieldStore, options: BindOptions = {}): () => void {
  let composing = false;
  let ours = false;
  let pointer = false;
  let settled = store.reading().raw;
  const { set: writeValue } = nativeValue(input);

  const hasFocus = (): boolean => (input.getRootNode() as Document | ShadowRoot).activeElement === input;

  /** Shows the present state. The setter of the prototype is used so that frameworks that watch the element see it. */
  const show = (): void => {
    const { body, start, end } = store.state();
    if (input.value !== body.display) writeValue!.call(input, body.display);
    if (hasFocus() && (input.selectionStart !== start || input.selectionEnd !== end))
      input.setSelectionRange(start, end);
    const { shown, problem } = store.reading();
    const isWrong = String(shown.some((message) => message.severity === 'error'));
    if (input.ariaInvalid !== isWrong) input.ariaInvalid = isWrong;
    if (input.validationMessage !== problem) input.setCustomValidity(problem);
  };

  /** Takes over where the browser has the caret; if the text is not the field's either, that first. */
  const takeOver = (): void => {
    if (input.value !== store.state().body.display) reconcile(null);
    const { start, end } = store.state();
    const from = input.selectionStart ?? start;
    const to = input.selectionEnd ?? end;
    if (from !== start || to !== end) store.dispatch({ type: 'select', start: from, end: to });
  };

  const tell = (type: 'input' | 'change', init: InputEventInit = {}): void => {
    ours = true;
    const event =
      type === 'input'
        ? new InputEvent('input', { bubbles: true, composed: true, ...init })
        : new Event('change', { bubbles: true });
    input.dispatchEvent(event);
    ours = false;
  };

  const tellChange = (): void => {
    const { raw } = store.reading();
    if (raw === settled) return;
    settled = raw;
    tell('change');
  };

  /** Reads a text the browser or somebody else has put there, as the edit it most likely was. */
  const reconcile = (inputType: string | null): void => {
    const { value } = input;
    const { display } = store.state().body;
    const caret = input.selectionStart ?? value.length;
    if (inputType === '') store.dispatch({ type: 'autofill', text: value });
    else if (inputType === null) store.dispatch({ type: 'set', text: value });
    else {
      const { start, end, text } = difference(display, value, caret);
      const forward = inputType === 'deleteContentForward';
      // A single character taken out may be fixed text: then the one beside it is meant.
      const isKey = text === '' && end - start === 1;
      const at = forward ? start : end;
      store.dispatch({ type: 'select', start: isKey ? at : start, end: isKey ? at : end });
      if (text === '') store.dispatch({ type: forward ? 'delete' : 'backspace' });
      else {
        // The caret may have moved on inside what was typed: then it stays behind the same character.
        const split = caret > start ? caret - start : text.length;
        const { start: at } = store.dispatch({ type: 'insert', text: text.slice(0, split) });
        if (split < text.length) {
          store.dispatch({ type: 'insert', text: text.slice(split) });
          store.dispatch({ type: 'select', start: at, end: at });
        }
      }
    }
  };

  const onBeforeInput = (event: InputEvent): void => {
    if (composing || !event.cancelable || input.readOnly) return;
    takeOver();
    const then = eventFor(event, store.state());
    if (!then) return;
    event.preventDefault();
    carryOut(then, { inputType: event.inputType, data: event.data });
  };

  const carryOut = (events: readonly FieldEvent[], init: InputEventInit): void => {
    const before = store.state().body;
    for (const event of events) store.dispatch(event);
    show();
    if (store.state().body !== before) tell('input', init);
  };

  const onInput = (event: Event): void => {
    if (ours || composing || input.value === store.state().body.display) return;
    const inputType = (event as InputEvent).inputType ?? '';
    reconcile(inputType);
    const left = input.value;
    show();
    if (input.value !== left) tell('input', { inputType });
  };

  const onCompositionStart = (): void => {
    takeOver();
    composing = true;
  };
  const onCompositionEnd = (): void => {
    composing = false;
    if (input.value === store.state().body.display) return;
    reconcile('insertText');
    show();
    tell('input', { inputType: 'insertCompositionText' });
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Enter' && !composing) tellChange();
    const { key, ctrlKey, metaKey, altKey, shiftKey } = event;
    const isCommand = ctrlKey || metaKey;
    let type: 'up' | 'down' | 'undo' | 'redo' | undefined;
    if (altKey || composing || input.readOnly) return;
    if (isCommand) type = /^z$/i.test(key) ? (shiftKey ? 'redo' : 'undo') : /^y$/i.test(key) ? 'redo' : type;
    else if (!shiftKey && kindOf(store.field).step)
      type = key === 'ArrowUp' ? 'up' : key === 'ArrowDown' ? 'down' : type;
    if (!type) return;
    event.preventDefault();
    takeOver();
    const inputType = { undo: 'historyUndo', redo: 'historyRedo' }[type as 'undo'];
    carryOut([{ type }], { inputType: inputType ?? 'insertReplacementText' });
  };
  const onCut = (event: ClipboardEvent): void => {
    if (input.readOnly || composing || !event.clipboardData) return;
    takeOver();
    const { start, end, body } = store.state();
    if (start === end) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', body.display.slice(start, end));
    carryOut([{ type: 'cut' }], { inputType: 'deleteByCut' });
  };

  const onSelectionChange = (): void => {
    if (composing || !hasFocus() || input.value !== store.state().body.display) return;
    takeOver();
    // The field may keep the caret off its signs.
    show();
  };

  const onFocus = (): void => {
    if (input.value !== store.state().body.display) takeOver();
    settled = store.reading().raw;
    store.dispatch({ type: 'focus' });
    // A pointer says itself where the caret goes.
    if (pointer && input.value === store.state().body.display) takeOver();
    show();
    input.ownerDocument.addEventListener('selectionchange', onSelectionChange);
  };

  const onBlur = (): void => {
    input.ownerDocument.removeEventListener('selectionchange', onSelectionChange);
    store.dispatch({ type: 'leave' });
    show();
    tellChange();
  };

  const onPointerDown = (): void => {
    pointer = true;
  };
  /** Clicked anywhere, an empty line of blanks starts at its first cell. */
  const onClick = (): void => {
    pointer = false;
    takeOver();
    const state = store.state();
    if (state.body.content || state.start < state.end) return;
    const { start } = apply(store.field, state, { type: 'focus' });
    store.dispatch({ type: 'select', start, end: start });
    show();
  };
  const onChange = (event: Event): void => {
    if (event.isTrusted) settled = store.reading().raw;
  };
  const onInvalid = (event: Event): void => {
    // The message has its own place on the page; the browser's bubble would cover it.
    event.preventDefault();
    store.dispatch({ type: 'submit' });
  };

  const release = new AbortController();
  const { signal } = release;
  const on = <T extends Event>(type: string, listener: (event: T) => void): void =>
    input.addEventListener(type, listener as EventListener, { signal });
  on('beforeinput', onBeforeInput);
  on('input', onInput);
  on('compositionstart', onCompositionStart);
  on('compositionend', onCompositionEnd);
  on('keydown', onKeyDown);
  on('cut', onCut);
  on('focus', onFocus);
  on('blur', onBlur);
  on('pointerdown', onPointerDown);
  on('click', onClick);
  on('change', onChange);
  on('invalid', onInvalid);
  bindForm(input, store, options.submits ?? 'raw', signal);
  const unsubscribe = store.subscribe((_, event) => {
    // What comes from outside an event handler (a program, a step back) is shown as well.
    if (event === null || event.type === 'set' || event.type === 'reset' || event.type === 'submit') show();
  });

  // Text typed before the page came alive is the user's, and stays.
  const differs = input.value !== store.state().body.display;
  const typedBefore = differs && input.value !== lastShown.get(input);
  if (typedBefore) reconcile('insertText');
  else if (differs) show();
  if (hasFocus()) {
    const { start, end } = store.state();
    store.dispatch({ type: 'focus' });
    if (typedBefore) store.dispatch({ type: 'select', start, end });
    else takeOver();
    input.ownerDocument.addEventListener('selectionchange', onSelectionChange);
  }
  show();

  return () => {
    lastShown.set(input, input.value);
    release.abort();
    input.ownerDocument.removeEventListener('selectionchange', onSelectionChange);
    unsubscribe();
  };
}

import type { FieldEvent } from '@arbeit/engine/field';
import { apply } from '@arbeit/engine/field';
import { moved } from './drag.ts';
import { type FormPart, joinForm, submitRaw } from './form-part.ts';
import { eventFor } from './input-types.ts';
import { changeOf, type Range } from './replaced.ts';
import type { FieldStore } from './store.ts';
import type { TextControl } from './text-control.ts';
import { isAsking, watchAsking } from './validity.ts';

export interface BindOptions {
  /** What a form submits under the input's name: the raw value (default) or the display. */
  readonly submits?: 'raw' | 'display';
}

const nativeValue = (input: TextControl): PropertyDescriptor =>
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(input), 'value')!;

/** What an input showed when it was let go: nobody typed that, should another field take the input over. */
const lastShown = new WeakMap<TextControl, string>();
/** The binding that has an input now: one that comes right after another takes the focus over with it. */
const bindings = new WeakMap<TextControl, object>();

/**
 * Binds a field to a real `<input>` (text, tel, search, url or password) or `<textarea>`. Everything happens in the task of the
 * event: value and selection are set before the handler returns, no timer mends anything afterwards. What the
 * browser changes by itself (composition, suggestions, autofill) is left alone until it is done and then taken
 * over, by the range it is known to have replaced or by difference. Returns the way to let go again.
 */
export function bind(input: TextControl, store: FieldStore, options: BindOptions = {}): () => void {
  /** The text and selection a composition began with. Nothing is written to the input while there is one. */
  let composing: Range | null = null;
  /** The same for a text being dragged out of the field. */
  let dragged: Range | null = null;
  /** Where the selection stood when the browser announced a change that cannot be held back. */
  let announced: Range | null = null;
  let ours = false;
  let pointer = false;
  let settled = store.reading().raw;
  /** What the input showed when it was last looked at: anything else somebody has put there. */
  let shown = input.value;
  const { set: writeValue } = nativeValue(input);

  const hasFocus = (): boolean => (input.getRootNode() as Document | ShadowRoot).activeElement === input;
  const selected = (): Range => ({
    text: input.value,
    start: input.selectionStart ?? input.value.length,
    end: input.selectionEnd ?? input.value.length,
  });

  /** Shows the present state. The setter of the prototype is used so that frameworks that watch the element see it. */
  const show = (): void => {
    const { body, start, end } = store.state();
    if (!composing) {
      if (input.value !== body.display) writeValue!.call(input, body.display);
      shown = body.display;
      if (hasFocus() && (input.selectionStart !== start || input.selectionEnd !== end))
        input.setSelectionRange(start, end);
    }
    const { shown: messages, problem } = store.reading();
    const isWrong = String(messages.some((message) => message.severity === 'error'));
    if (input.ariaInvalid !== isWrong) input.ariaInvalid = isWrong;
    if (input.validationMessage !== problem) input.setCustomValidity(problem);
  };

  /** Dispatches what this input itself leads to; what comes from elsewhere is shown by the subscription. */
  const dispatch = (event: FieldEvent) => {
    const before = ours;
    ours = true;
    try {
      return store.dispatch(event);
    } finally {
      ours = before;
    }
  };

  /** Takes over what somebody else put into the input, a composition nobody ended among it. */
  const catchUp = (): void => {
    endComposition();
    if (dragged && input.value !== dragged.text) onDragEnd();
    if (input.value === shown) return;
    reconcile(null);
    show();
  };

  /** Takes over where the browser has the caret; if the text is not the field's either, that first. */
  const takeOver = (): void => {
    catchUp();
    const { start, end } = store.state();
    const from = input.selectionStart ?? start;
    const to = input.selectionEnd ?? end;
    if (from !== start || to !== end) dispatch({ type: 'select', start: from, end: to });
  };

  let telling = false;
  const tell = (type: 'input' | 'change', init: InputEventInit = {}): void => {
    telling = true;
    const event =
      type === 'input'
        ? new InputEvent('input', { bubbles: true, composed: true, ...init })
        : new Event('change', { bubbles: true });
    input.dispatchEvent(event);
    telling = false;
  };

  const tellChange = (): void => {
    const { raw } = store.reading();
    if (raw === settled) return;
    settled = raw;
    tell('change');
  };

  /** Reads a text the browser or somebody else has put there, as the edit it most likely was. */
  const reconcile = (inputType: string | null, range: Range | null = null): void => {
    const { value } = input;
    const { display } = store.state().body;
    shown = value;
    if (inputType === null) dispatch({ type: 'set', text: value });
    else if (inputType === '') dispatch({ type: 'autofill', text: value });
    else {
      const { start, end, text } = changeOf(range, display, value, input.selectionStart ?? value.length);
      const isWhole = start === 0 && end === display.length && display !== '' && text.length > 1;
      const forward = inputType === 'deleteContentForward';
      // A single character taken out may be fixed text: then the one beside it is meant.
      const isKey = text === '' && end - start === 1;
      const at = forward ? start : end;
      if (isWhole && inputType === 'insertReplacementText') dispatch({ type: 'autofill', text });
      else {
        dispatch({ type: 'select', start: isKey ? at : start, end: isKey ? at : end });
        if (text === '') dispatch({ type: forward ? 'delete' : 'backspace' });
        else put(text, start);
      }
    }
  };

  /** Inserts what stands in the input from an offset on; its caret may stand inside: then it stays behind the same character. */
  const put = (text: string, from: number): void => {
    const caret = input.selectionStart ?? from + text.length;
    const split = caret > from && caret < from + text.length ? caret - from : text.length;
    const { start: at } = dispatch({ type: 'insert', text: text.slice(0, split) });
    if (split === text.length) return;
    dispatch({ type: 'insert', text: text.slice(split) });
    dispatch({ type: 'select', start: at, end: at });
  };

  /** A composition is over, whoever says so: what it put in place of the selection it began with is one insertion. */
  const endComposition = (): void => {
    if (!composing) return;
    const range = composing;
    composing = null;
    if (input.value === range.text) return;
    const state = store.state();
    // Somebody wrote over it while it went on: that is no typing.
    const isTyped =
      input.value.startsWith(range.text.slice(0, range.start)) &&
      input.value.endsWith(range.text.slice(range.end));
    if (!isTyped) reconcile(null);
    else if (state.body.display === range.text) reconcile('insertText', range);
    else {
      const { start, text } = changeOf(range, range.text, input.value, input.value.length);
      put(text, start);
    }
    show();
    tell('input', { inputType: 'insertCompositionText' });
  };

  const onBeforeInput = (event: InputEvent): void => {
    if (composing && !event.isComposing && event.inputType !== 'insertCompositionText') endComposition();
    // One that went on after somebody had to take it for ended.
    if (!composing && event.isComposing) onCompositionStart();
    if (composing || input.readOnly) return;
    if (dragged && /^(?:deleteByDrag|insertFromDrop)$/.test(event.inputType)) return;
    takeOver();
    announced = selected();
    if (!event.cancelable) return;
    const then = eventFor(event, store.state());
    if (!then) return;
    event.preventDefault();
    carryOut(then, { inputType: event.inputType, data: event.data });
  };

  const carryOut = (events: readonly FieldEvent[], init: InputEventInit): void => {
    const before = store.state().body;
    for (const event of events) dispatch(event);
    show();
    if (store.state().body !== before) tell('input', init);
  };

  const onInput = (event: Event): void => {
    if (telling) return;
    const { inputType = '', isComposing } = event as InputEvent;
    if (composing && !isComposing && inputType !== 'insertCompositionText') {
      endComposition();
      return;
    }
    if (composing) return;
    if (dragged) {
      onMoved(inputType);
      return;
    }
    if (input.value === store.state().body.display) return;
    reconcile(inputType, announced);
    announced = null;
    const left = input.value;
    show();
    if (input.value !== left) tell('input', { inputType });
  };

  const onCompositionStart = (): void => {
    takeOver();
    composing = selected();
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    // A key outside of a composition says that it is over; 229 is what keyboards send that compose.
    if (composing && !event.isComposing && event.keyCode !== 229) endComposition();
    if (event.key === 'Enter' && !composing) tellChange();
    const { key, code, ctrlKey, metaKey, altKey, shiftKey } = event;
    if (altKey || composing || input.readOnly) return;
    let type: 'up' | 'down' | 'undo' | 'redo' | undefined;
    if (ctrlKey || metaKey) {
      // On layouts without Latin letters the key is told by its place.
      const letter = /^[a-z]$/i.test(key) ? key.toLowerCase() : { KeyZ: 'z', KeyY: 'y' }[code];
      type = letter === 'z' ? (shiftKey ? 'redo' : 'undo') : letter === 'y' ? 'redo' : type;
    } else if (!shiftKey && store.field.kind.step)
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

  const onDragStart = (): void => {
    if (input.readOnly) return;
    takeOver();
    const range = selected();
    if (range.start < range.end) dragged = range;
  };
  /**
   * Text dragged inside the field: the browser takes it out and puts it in itself, since its place to drop is one in the
   * text it sees. Where it was dropped the browser has it selected.
   */
  const onMoved = (inputType: string): void => {
    if (inputType !== 'insertFromDrop' || !dragged) return;
    const range = dragged;
    dragged = null;
    const at = input.selectionStart ?? 0;
    shown = input.value;
    carryOut(moved(store.field, store.state().body, range, at), { inputType });
  };
  /** Dragged out of the field: what is gone from the input goes from the field. */
  const onDragEnd = (): void => {
    const range = dragged;
    dragged = null;
    if (!range || input.value === range.text) return;
    shown = input.value;
    carryOut([{ type: 'select', start: range.start, end: range.end }, { type: 'cut' }], {
      inputType: 'deleteByDrag',
    });
  };

  const onSelectionChange = (): void => {
    if (composing || dragged || !hasFocus() || input.value !== store.state().body.display) return;
    takeOver();
    // The field may keep the caret off its signs.
    show();
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
      takeOver();
      show();
      return;
    }
    catchUp();
    settled = store.reading().raw;
    dispatch({ type: 'focus' });
    // A pointer says itself where the caret goes.
    if (pointer && input.value === store.state().body.display) takeOver();
    show();
  };

  const onBlur = (): void => {
    endComposition();
    watchSelection(false);
    // The window was left, not the field: it is still the one that keys would go to.
    if (hasFocus()) return;
    dispatch({ type: 'leave' });
    show();
    tellChange();
  };

  const onPointerDown = (): void => {
    pointer = true;
  };
  /** Clicked anywhere, an empty line of blanks starts at its first cell. */
  const onClick = (): void => {
    pointer = false;
    if (composing) return;
    takeOver();
    const state = store.state();
    if (state.body.content || state.start < state.end) return;
    const { start } = apply(store.field, state, { type: 'focus' });
    dispatch({ type: 'select', start, end: start });
    show();
  };
  const onChange = (event: Event): void => {
    if (!event.isTrusted) return;
    catchUp();
    settled = store.reading().raw;
  };
  const onInvalid = (event: Event): void => {
    // The message has its own place on the page; the browser's bubble would cover it.
    event.preventDefault();
    catchUp();
    if (isAsking(input)) return;
    dispatch({ type: 'submit' });
    show();
  };

  const part: FormPart = {
    form: () => input.form,
    catchUp,
    settle() {
      input.defaultValue = store.state().body.display;
    },
  };
  const release = new AbortController();
  const { signal } = release;
  const on = <T extends Event>(type: string, listener: (event: T) => void): void =>
    input.addEventListener(type, listener as EventListener, { signal });
  on('beforeinput', onBeforeInput);
  on('input', onInput);
  on('compositionstart', onCompositionStart);
  on('compositionend', endComposition);
  on('keydown', onKeyDown);
  on('cut', onCut);
  on('dragstart', onDragStart);
  on('dragend', onDragEnd);
  on('focus', onFocus);
  on('blur', onBlur);
  on('pointerdown', onPointerDown);
  on('click', onClick);
  on('change', onChange);
  on('invalid', onInvalid);
  // Text the browser restores when somebody comes back to the page.
  input.ownerDocument.defaultView?.addEventListener('pageshow', catchUp, { signal });
  joinForm(input, part, store, signal);
  submitRaw(input, part, store, options.submits ?? 'raw', signal);
  const letGo = [input, input.form].flatMap((element) => (element ? [watchAsking(element)] : []));
  letGo.push(
    store.subscribe((_, event) => {
      if (ours) return;
      // A reset ends what was being composed; anything else a program does waits until it is over.
      if (event?.type === 'reset') {
        composing = null;
        part.settle();
      }
      show();
    }),
  );

  // Text typed before the page came alive is the user's, and stays.
  const differs = input.value !== store.state().body.display;
  const typedBefore = differs && input.value !== lastShown.get(input);
  if (typedBefore) reconcile('insertText');
  else if (differs) show();
  if (hasFocus()) {
    const { start, end } = store.state();
    if (!store.state().focused) dispatch({ type: 'focus' });
    if (typedBefore) dispatch({ type: 'select', start, end });
    else {
      shown = input.value;
      takeOver();
    }
    watchSelection(true);
  }
  show();
  const own = {};
  bindings.set(input, own);

  return () => {
    if (composing) endComposition();
    lastShown.set(input, input.value);
    release.abort();
    watchSelection(false);
    for (const stop of letGo) stop();
    if (bindings.get(input) === own) bindings.delete(input);
    // Taken off the page with the focus in it, the field is left. One bound anew at once was not.
    if (store.state().focused)
      queueMicrotask(() => {
        if (bindings.has(input) || (input.isConnected && hasFocus())) return;
        store.dispatch({ type: 'leave' });
      });
  };
}

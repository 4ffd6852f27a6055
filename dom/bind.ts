import { type Bound, dispatch, hasFocus, show } from './bound.ts';
import { catchUp, takeOver } from './catch-up.ts';
import { endComposition } from './composition.ts';
import { listenToEdits } from './editing.ts';
import { type FormPart, joinForm, submitRaw } from './form-part.ts';
import { type Host, nativeHost } from './host.ts';
import { listenToPresence } from './presence.ts';
import { reconcile } from './reconcile.ts';
import type { FieldStore } from './store.ts';
import type { TextControl } from './text-control.ts';

/** How an input is bound. */
export interface BindOptions {
  /** What a form submits under the input's name: the raw value (default) or the display. */
  readonly submits?: 'raw' | 'display';
}

/** What an input showed when it was let go: nobody typed that, should another field take the input over. */
const lastShown = new WeakMap<TextControl, string>();
/** The binding that has an input now: one that comes right after another takes the focus over with it. */
const bindings = new WeakMap<TextControl, Bound>();

/**
 * Binds a field to a real `<input>` (text, tel, search, url or password) or `<textarea>`. Everything happens in the task of the
 * event: value and selection are set before the handler returns, no timer mends anything afterwards. What the
 * browser changes by itself (composition, suggestions, autofill) is left alone until it is done and then taken
 * over, by the range it is known to have replaced or by difference. Returns the way to let go again.
 */
export function bind(input: TextControl, store: FieldStore, { submits }: BindOptions = {}): () => void {
  const host = nativeHost(input, input, () => [input]);
  return bindWithin(input, store, host, (part, signal) => submitRaw(input, part, store, submits, signal));
}

/**
 * The same for an input that stands in an element of somebody's own: that is in the form, and hands on the value. `submit` has the form
 * submit it where nobody does.
 */
export function bindWithin(
  input: TextControl,
  store: FieldStore,
  host: Host,
  submit?: (part: FormPart, signal: AbortSignal) => void,
): () => void {
  const bound: Bound = {
    input,
    store,
    host,
    composing: null,
    dragged: null,
    announced: null,
    isPressed: false,
    shown: input.value,
    settled: store.reading().raw,
    isOurs: false,
    isTelling: false,
  };
  const release = new AbortController();
  const { signal } = release;
  listenToEdits(bound, signal);
  const { watchSelection } = listenToPresence(bound, signal);
  // Text the browser restores when somebody comes back to the page.
  input.ownerDocument.defaultView?.addEventListener('pageshow', () => catchUp(bound), { signal });
  const part: FormPart = {
    form: host.form,
    catchUp: () => catchUp(bound),
    settle() {
      input.defaultValue = store.state().body.display;
    },
  };
  joinForm(host.element, part, store, signal);
  submit?.(part, signal);
  const letGo = [
    host.watch(),
    store.subscribe((_, event) => {
      if (bound.isOurs) return;
      // A reset ends what was being composed; anything else a program does waits until it is over.
      if (event?.type === 'reset') {
        bound.composing = null;
        part.settle();
      }
      show(bound);
    }),
  ];

  begin(bound, watchSelection);
  bindings.set(input, bound);

  return () => {
    endComposition(bound);
    lastShown.set(input, input.value);
    release.abort();
    watchSelection(false);
    for (const stop of letGo) stop();
    if (bindings.get(input) === bound) bindings.delete(input);
    // Taken off the page with the focus in it, the field is left. One bound anew at once was not.
    if (store.state().focused)
      queueMicrotask(() => {
        if (bindings.has(input) || (input.isConnected && hasFocus(bound))) return;
        store.dispatch({ type: 'leave' });
      });
  };
}

/** Text typed before the page came alive is the user's, and stays; so does the focus that is there already. */
function begin(bound: Bound, watchSelection: (isOn: boolean) => void): void {
  const { input, store } = bound;
  const differs = input.value !== store.state().body.display;
  const isTyped = differs && input.value !== lastShown.get(input);
  if (isTyped) reconcile(bound, 'insertText');
  else if (differs) show(bound);
  if (hasFocus(bound)) {
    const { start, end } = store.state();
    if (!store.state().focused) dispatch(bound, { type: 'focus' });
    if (isTyped) dispatch(bound, { type: 'select', start, end });
    else {
      bound.shown = input.value;
      takeOver(bound);
    }
    watchSelection(true);
  }
  show(bound);
}

import { attach } from './attach.ts';
import { type Bound, dispatch, hasFocus, show } from './bound.ts';
import { catchUp, takeOver } from './catch-up.ts';
import { endComposition } from './composition.ts';
import { listenToEdits } from './editing.ts';
import { type FormPart, submitRaw } from './form-part.ts';
import { type Host, nativeHost } from './host.ts';
import { listenToPresence } from './presence.ts';
import { reconcile } from './reconcile.ts';
import { isConcealed } from './secret.ts';
import type { FieldStore } from './store.ts';
import type { TextControl } from './text-control.ts';

/** Options of a binding. */
export interface BindOptions {
  /** What a form submits under the input's name: the raw value (default) or the display. */
  readonly submits?: 'raw' | 'display';
}

/**
 * Binds a field to a real `<input>` (text, tel, search, url or password) or `<textarea>`. Value and
 * selection are set in the task of each event; no timer corrects anything later. Changes of the browser
 * itself (composition, suggestions, autofill) are taken over when they are done, by the range they replaced
 * or by difference. Returns a function that unbinds.
 *
 * @example
 * const unbind = bind(input, store);
 * unbind();
 */
export function bind(input: TextControl, store: FieldStore, { submits }: BindOptions = {}): () => void {
  const host = nativeHost(input, input, () => [input]);
  // A concealed value must not be readable for bystanders; a page that reveals it does so later.
  if (isConcealed(store.field) && input instanceof HTMLInputElement && input.type === 'text')
    input.type = 'password';
  return bindWithin(input, store, host, (part, signal) => submitRaw(input, part, store, submits, signal));
}

/**
 * Like `bind`, for an input inside a custom element that belongs to the form and hands on the value.
 * `submit` submits that element's form on Enter.
 *
 * @example
 * const unbind = bindWithin(input, store, host);
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
    left: { text: '', start: 0, end: 0 },
    parked: 0,
    isPressed: false,
    shown: input.value,
    settled: store.evaluation().raw,
    isOurs: false,
    isTelling: false,
  };
  let watchSelection: (isOn: boolean) => void = () => {};
  return attach(
    {
      element: input,
      store,
      host,
      shown: () => input.value,
      isUntouched: () => input.value === input.defaultValue,
      expected: () => store.state().body.display,
      takeTyped: () => reconcile(bound, 'insertText'),
      takeGiven: () => reconcile(bound, null),
      catchUp: () => catchUp(bound),
      show: () => show(bound),
      settle() {
        // An attribute could be read by anybody, so a secret is never written to one.
        if (!isConcealed(store.field)) input.defaultValue = store.state().body.display;
      },
      focus(isTyped) {
        const { start, end } = store.state();
        if (!store.state().focused) dispatch(bound, { type: 'focus' });
        if (isTyped) dispatch(bound, { type: 'select', start, end });
        else if (hasFocus(bound)) {
          bound.shown = input.value;
          takeOver(bound);
        }
        watchSelection(true);
      },
      end() {
        endComposition(bound);
        watchSelection(false);
      },
      isOwn: () => bound.isOurs,
      // A reset ends a composition; other changes by a program wait until it is over.
      reset() {
        bound.composing = null;
      },
    },
    (part, signal) => {
      listenToEdits(bound, signal);
      ({ watchSelection } = listenToPresence(bound, signal));
      submit?.(part, signal);
    },
  );
}

import { keepOutOfAddress } from './address.ts';
import { type FormPart, joinForm } from './form-part.ts';
import { type Host, tellHost } from './host.ts';
import { isConcealed } from './secret.ts';
import type { FieldStore } from './store.ts';

/**
 * A control of the page that a field is bound to: an input, a list, or the element around buttons and
 * checkboxes.
 */
export interface Attachment {
  /** The element whose focus is the focus of the field. */
  readonly element: HTMLElement;
  readonly store: FieldStore;
  readonly host: Host;
  /** What the control shows, as a text that tells two states apart. */
  shown(): string;
  /**
   * Whether the control shows its default: neither a person nor the browser has changed it (HTML, dirty
   * value).
   */
  isUntouched(): boolean;
  /** What the control shows when the field has the state of the store. */
  expected(): string;
  /** Takes over what the control shows as typed or picked by a person. */
  takeTyped(): void;
  /** Takes over what the control shows as the value the page came with. */
  takeGiven(): void;
  /** Takes over changes of the control since the last call. */
  catchUp(): void;
  /** Shows the state of the store. */
  show(): void;
  /** Makes the field's value the control's default, which the browser restores on reset. */
  settle(): void;
  /** Called when the control has the focus while it is bound. */
  focus(isTyped: boolean): void;
  /** Called when the control is unbound: ends what the browser is in the middle of. */
  end(): void;
  /** Whether the current change of the store comes from this control, which then shows it itself. */
  isOwn?(): boolean;
  /** Called before a reset. */
  reset?(): void;
}

/**
 * What a control showed when it was unbound. If another field is bound to it, this is not treated as user
 * input.
 */
const lastShown = new WeakMap<HTMLElement, string>();

/**
 * Current binding per element. If an element is bound again in the same task, the new binding inherits the
 * focus.
 */
const bindings = new WeakMap<HTMLElement, object>();

export const hasFocus = ({ element }: Pick<Attachment, 'element'>): boolean =>
  element.contains((element.getRootNode() as Document | ShadowRoot).activeElement);

/** Shows the evaluation of a field on its host element. */
export const tellOf = ({ host, store }: Pick<Attachment, 'host' | 'store'>): void =>
  tellHost(host, store.evaluation());

/** Prevents the browser's own message bubble: messages have an element of their own. */
function onInvalid(tied: Attachment, event: Event): void {
  event.preventDefault();
  tied.catchUp();
  if (tied.host.isAsking()) return;
  tied.store.dispatch({ type: 'submit' });
  tied.show();
}

/**
 * What every binding does, whatever the control: it takes over what was typed before hydration, takes part in
 * submit, reset and validation of its form, displays what changes in the store, and blurs the field if it is
 * removed while focused. `listen` adds the control's own listeners. Mounting changes nothing (law 13): a
 * control that nobody touched displays the store, even if its markup is empty. Returns a function that
 * unbinds.
 */
export function attach(tied: Attachment, listen: (part: FormPart, signal: AbortSignal) => void): () => void {
  const { element, store, host } = tied;
  const release = new AbortController();
  const { signal } = release;
  const view = element.ownerDocument.defaultView;
  const part: FormPart = { form: host.form, catchUp: () => tied.catchUp(), settle: () => tied.settle() };
  listen(part, signal);
  joinForm(host.element, part, store, signal);
  if (isConcealed(store.field)) keepOutOfAddress(view, host.form, signal);
  host.element.addEventListener('invalid', (event) => onInvalid(tied, event), { signal, capture: true });
  // Browsers restore text when somebody returns to the page. From the back/forward cache the page returns as
  // it was, except that WebKit then empties passwords and inputs without autocompletion, in a separate task
  // and without an event.
  view?.addEventListener(
    'pageshow',
    ({ persisted }) => {
      if (!persisted) return tied.catchUp();
      const again = (): void => {
        if (signal.aborted) return;
        if (tied.isUntouched() || tied.shown() === '') tied.show();
        else tied.catchUp();
      };
      again();
      setTimeout(again);
    },
    { signal },
  );
  const letGo = [
    host.watch(),
    store.subscribe((_, event) => {
      if (tied.isOwn?.()) return;
      if (event?.type === 'reset') {
        tied.reset?.();
        tied.settle();
      }
      tied.show();
    }),
  ];

  const before = tied.shown();
  const differs = before !== tied.expected() && before !== lastShown.get(element);
  const isTyped = differs && !tied.isUntouched();
  const { past, focused, touched } = store.state();
  const isFresh = past === null && !focused && !touched && !store.evaluation().flags.dirty;
  if (isTyped) tied.takeTyped();
  else if (differs && before !== '' && isFresh) tied.takeGiven();
  else if (before !== tied.expected()) tied.show();
  if (hasFocus(tied)) tied.focus(isTyped);
  tied.show();
  const own = {};
  bindings.set(element, own);

  return () => {
    tied.end();
    lastShown.set(element, tied.shown());
    release.abort();
    for (const stop of letGo) stop();
    if (bindings.get(element) === own) bindings.delete(element);
    // A field removed from the page with the focus in it is blurred, unless it was bound again in the same
    // task.
    if (store.state().focused)
      queueMicrotask(() => {
        if (bindings.has(element) || (element.isConnected && hasFocus(tied))) return;
        store.dispatch({ type: 'leave' });
      });
  };
}

import { type FormPart, joinForm } from './form-part.ts';
import { type Host, tellHost } from './host.ts';
import { isConcealed, keepOutOfAddress } from './secret.ts';
import type { FieldStore } from './store.ts';

/** A control of the page that a field is bound to: a line to type into, a list, or what buttons and boxes are in. */
export interface Attachment {
  /** The focus in it, or on it, is the field's. */
  readonly element: HTMLElement;
  readonly store: FieldStore;
  readonly host: Host;
  /** What the control shows, as text that tells one state from another. */
  shown(): string;
  /** Whether the control shows what it came with: neither a person nor the browser has changed it (HTML, dirty value). */
  isUntouched(): boolean;
  /** What the control shows where the field holds what the store has. */
  expected(): string;
  /** Takes over what the control shows, as typed or picked by a person. */
  takeTyped(): void;
  /** The same as what the page came with. */
  takeGiven(): void;
  /** Takes over what has changed on the control since it was last looked at. */
  catchUp(): void;
  /** Shows the present state. */
  show(): void;
  /** Makes what the field holds the control's default, which is what the browser goes back to at a reset. */
  settle(): void;
  /** The focus is in it as it is tied. */
  focus(isTyped: boolean): void;
  /** It is let go: what the browser is in the middle of ends. */
  end(): void;
  /** Whether the store changes by an event of the control's own, which shows that itself. */
  isOwn?(): boolean;
  /** A reset comes. */
  reset?(): void;
}

/** What a control showed when it was let go: nobody typed that, should another field take the control over. */
const lastShown = new WeakMap<HTMLElement, string>();

/** The binding that has a control now: one that comes right after another takes the focus over with it. */
const bindings = new WeakMap<HTMLElement, object>();

export const hasFocus = ({ element }: Pick<Attachment, 'element'>): boolean =>
  element.contains((element.getRootNode() as Document | ShadowRoot).activeElement);

/** Shows what there is to tell of a field on its host. */
export const tellOf = ({ host, store }: Pick<Attachment, 'host' | 'store'>): void =>
  tellHost(host, store.evaluation());

/** The browser asks whether what stands there is valid: the message has its own place, the browser's bubble would cover it. */
function onInvalid(tied: Attachment, event: Event): void {
  event.preventDefault();
  tied.catchUp();
  if (tied.host.isAsking()) return;
  tied.store.dispatch({ type: 'submit' });
  tied.show();
}

/**
 * What every binding does, whatever the control: it takes over what was typed before the page came alive, is submitted, reset and asked with its
 * form, shows what the store changes to, and leaves the field when it goes with the focus in it. `listen` adds the control's own listeners.
 * Mounting changes nothing by itself (law 13): a control that nobody touched shows the store, however empty it came. Returns the way to
 * let go.
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
  // Text the browser restores when somebody comes back to the page. From its cache the page comes back as it was, except that WebKit then
  // empties passwords and inputs without autocompletion, in a task of its own and without an event.
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
    // Taken off the page with the focus in it, the field is left. One bound anew at once was not.
    if (store.state().focused)
      queueMicrotask(() => {
        if (bindings.has(element) || (element.isConnected && hasFocus(tied))) return;
        store.dispatch({ type: 'leave' });
      });
  };
}

import { fieldName } from '@arbeit/engine/field';
import { placeOf, type Values } from '@arbeit/engine/form';
import { wasRefused } from './address.ts';
import type { FormStore } from './form-store.ts';
import { clearBubble, reportAtButton } from './report-at-button.ts';
import { driveSending, type SendRecord } from './sending.ts';

/** Options of a bound form. */
export interface BindFormOptions<V extends Values = Values> {
  /**
   * Sends the record in place of the browser and resolves to the server's findings, which are shown at their
   * fields. Without it the browser or the page's own handler submits the form. Read at each submit.
   */
  readonly send?: SendRecord<V> | undefined;
}

/** A bound `<form>` with the state of its current submit between two browser events. */
interface Bound {
  readonly element: HTMLFormElement;
  readonly store: Pick<FormStore, 'form' | 'state' | 'dispatch' | 'subscribe' | 'evaluation' | 'isReady'>;
  /** Whether the page sends the record itself. */
  hasSend(): boolean;
  /** The button of the last submit. */
  submitter: HTMLElement | null;
  /** Whether a submit event of the page is being handled. */
  isAsked: boolean;
  /** Whether the form is ready and being submitted again by the browser or the page. */
  isPassing: boolean;
  /** Whether the browser or the page has the record, so that no answer is expected here. */
  isHandedOver: boolean;
}

/** Leaves a submit to the browser and the page, and notes whether one of them keeps it. */
function passOn(bound: Bound, event: SubmitEvent): void {
  const { store } = bound;
  bound.isHandedOver = true;
  setTimeout(() => {
    if (wasRefused(event)) store.dispatch({ type: 'unsent' });
    // The page submits the record itself; its server's findings arrive with `sent` too.
    else if (event.defaultPrevented) store.dispatch({ type: 'sent' });
  });
}

/**
 * Shows the browser's message at the first invalid control that the form does not know: an input of the page,
 * or an element with a problem that only the page knows. The browser does not check a bound form itself.
 * Returns the message; `undefined` if there is no such control.
 */
function reportBeside({ element, store }: Bound): string | undefined {
  for (const one of element.elements) {
    const control = one as HTMLInputElement;
    if (!control.willValidate || control.validity?.valid !== false) continue;
    if (store.form.named.has(control.name) && !('evaluation' in control)) continue;
    control.reportValidity();
    return control.validationMessage;
  }
  return undefined;
}

function onSubmit(bound: Bound, event: SubmitEvent): void {
  const { element, store } = bound;
  if (event.target !== element || skipsChecks(event.submitter)) return;
  if (bound.isPassing) {
    passOn(bound, event);
    return;
  }
  bound.submitter = event.submitter;
  clearBubble(element);
  // A form that still has to ask is checked when it is sent.
  if (store.isReady() && reportBeside(bound) !== undefined) {
    event.preventDefault();
    event.stopImmediatePropagation();
    return;
  }
  const before = store.state().sending.is;
  bound.isAsked = true;
  store.dispatch({ type: 'submit' });
  bound.isAsked = false;
  if (before !== 'sending' && store.state().sending.is === 'sending' && !bound.hasSend()) {
    passOn(bound, event);
    return;
  }
  event.preventDefault();
  event.stopImmediatePropagation();
}

/** Submits the form again with the same button, now that it is ready. */
function submitAgain(bound: Bound): void {
  const { element, store } = bound;
  if (store.state().sending.is !== 'sending') return;
  const by = bound.submitter as HTMLButtonElement | null;
  bound.isPassing = true;
  try {
    element.requestSubmit(by?.form === element && !by.disabled ? by : null);
  } finally {
    bound.isPassing = false;
  }
}

/** Marks a record that the browser was handed as sent. */
function settle({ store, isHandedOver }: Bound): void {
  if (isHandedOver && store.state().sending.is === 'sending') store.dispatch({ type: 'sent' });
}

/** Moves the focus to the first invalid field when a button or a completed code was held back. */
function watchSending(bound: Bound): () => void {
  const { element, store } = bound;
  let { sending } = store.state();
  return store.subscribe((state, event) => {
    if (state.sending.is === 'no' || state.sending.is === 'waiting') bound.isHandedOver = false;
    // Nothing reports that the browser has submitted it: typing on means that it is done.
    else if (event?.type === 'field' && state.sending.is === 'sending') settle(bound);
    if (state.sending === sending) return;
    sending = state.sending;
    if (sending.is !== 'no' || sending.wrong === undefined) return;
    const wrong = store.form.fields[placeOf(store.form, sending.wrong)]!;
    if (!focusOn(element, fieldName(wrong))) reportAtButton(element, bound.submitter, store, wrong);
  });
}

/**
 * Binds a form to a real `<form>`: its submit and its reset are one event of the form each, after all its
 * fields have taken over what their inputs show. The fields are bound by themselves, each with
 * `store.field(id)`. Returns the way to let go again.  A submit that is not ready is held back, and nobody
 * hears of it: neither the browser nor a handler of the page, as HTML has it for an invalid form. The first
 * wrong field gets the focus; where none of its controls can, the button says what is wrong. A form that
 * waits for an answer, or that a code completes, is submitted once it may. A button with `formnovalidate`
 * submits the form as it is.
 *
 * @example
 * const unbind = bindForm(document.forms[0]!, createFormStore(booking), {
 *   async send(record) {
 *     const answer = await fetch('/bookings', { method: 'POST', body: JSON.stringify(record.raw) });
 *     return (await answer.json()).findings;
 *   },
 * });
 */
export function bindForm<V extends Values = Values>(
  element: HTMLFormElement,
  store: FormStore<V>,
  options: BindFormOptions<V> = {},
): () => void {
  const release = new AbortController();
  const { signal } = release;
  const { noValidate } = element;
  // Messages have places of their own, and the browser must not block what the form accepts.
  element.noValidate = true;
  const bound: Bound = {
    element,
    store,
    hasSend: () => options.send !== undefined,
    submitter: null,
    isAsked: false,
    isPassing: false,
    isHandedOver: false,
  };
  const handOver: SendRecord<V> = (record) => options.send?.(record) ?? new Promise(() => {});
  const send: SendRecord<V> = async (record) => {
    if (bound.isAsked) return handOver(record);
    // An answer or a completed code may arrive during a key, which is finished first.
    await Promise.resolve();
    if (signal.aborted) return [];
    const message = reportBeside(bound);
    if (message !== undefined) return [{ field: '', code: 'invalid-control', message }];
    if (!options.send) submitAgain(bound);
    return handOver(record);
  };
  // Fields take over the displayed text in the capture phase (`form-part.ts`); handlers on the form find the
  // form submitted.
  element.addEventListener('submit', (event) => onSubmit(bound, event), { signal, capture: true });
  const view = element.ownerDocument.defaultView;
  // React resets a form whose action is a function after the action, whatever its result. What was typed
  // must stay.
  const isReactsOwn = (): boolean => bound.isHandedOver && hasReactAction(element);
  element.addEventListener('reset', (event) => event.isTrusted && isReactsOwn() && event.preventDefault(), {
    signal,
    capture: true,
  });
  // On the root, because a handler on the form may prevent the reset.
  const onReset = (event: Event): void => {
    if (event.target === element && !event.defaultPrevented) store.dispatch({ type: 'reset' });
  };
  element.getRootNode().addEventListener('reset', onReset, { signal });
  // Restored from the back/forward cache, the page can be submitted again.
  const onShow = ({ persisted }: PageTransitionEvent): void => {
    if (persisted) settle(bound);
  };
  view?.addEventListener('pageshow', onShow, { signal });
  const letGo = [driveSending(store, send), watchSending(bound)];
  return () => {
    for (const stop of letGo) stop();
    clearBubble(element);
    element.noValidate = noValidate;
    release.abort();
  };
}

/**
 * Whether React has a function as the form's action. The platform does not say; only React's own property
 * does.
 */
function hasReactAction(form: HTMLFormElement): boolean {
  const key = Object.keys(form).find((name) => name.startsWith('__reactProps$'));
  const props = key && (form as unknown as Record<string, { readonly action?: unknown } | undefined>)[key];
  return props !== undefined && props !== '' && typeof props.action === 'function';
}

/** Whether a button submits without validation (HTML, `formnovalidate`). */
const skipsChecks = (submitter: HTMLElement | null): boolean =>
  submitter?.hasAttribute('formnovalidate') ?? false;

/**
 * Moves the focus to the control of a field; of several with the name, to the first that can take it. Returns
 * whether one did.
 */
function focusOn(form: HTMLFormElement, name: string): boolean {
  for (const control of form.elements)
    if (control.getAttribute('name') === name && control instanceof HTMLElement) {
      control.focus();
      if (control.matches(':focus')) return true;
    }
  return false;
}

/** Input types that block implicit submission of a form without a button (HTML, implicit submission). */
const blocking = /^(?:text|search|tel|url|email|password|date|month|week|time|datetime-local|number)$/;

/** Whether a control is a line of text, in one of our elements or not. */
function isLine(control: Element): boolean {
  const input = control.shadowRoot?.querySelector('input') ?? control;
  return input instanceof HTMLInputElement && blocking.test(input.type);
}

const isButton = (control: Element): control is HTMLButtonElement | HTMLInputElement =>
  (control instanceof HTMLButtonElement || control instanceof HTMLInputElement) &&
  /^(?:submit|image)$/.test(control.type);

/**
 * The first submit button in the order of the page; `elements` leaves out image buttons (HTML, default
 * button).
 */
const defaultButton = (form: HTMLFormElement): HTMLButtonElement | HTMLInputElement | undefined =>
  [...(form.getRootNode() as Document | ShadowRoot).querySelectorAll('button, input')].find(
    (one): one is HTMLButtonElement | HTMLInputElement => isButton(one) && one.form === form,
  );

/**
 * Submits a form as Enter in one of its controls does (HTML, implicit submission): by its first button unless
 * that is disabled; without a button if it has at most one line of text.
 */
function submitImplicitly(form: HTMLFormElement): void {
  const button = defaultButton(form);
  if (button) {
    if (!button.matches(':disabled')) button.click();
    return;
  }
  if ([...form.elements].filter(isLine).length <= 1) form.requestSubmit();
}

/**
 * Enter in a control of a shadow tree submits the form around the element, because for the browser the
 * control belongs to no form. Every browser sends `keypress` for Enter, after a `keydown` that was not
 * prevented, and not for the Enter that ends a composition. Like the browser's own submit, it runs after all
 * handlers of the page, each of which may prevent it.
 */
export function listenToEnter(
  root: ShadowRoot,
  form: () => HTMLFormElement | null,
  signal: AbortSignal,
): void {
  const onKeyPress = (event: Event): void => {
    const { key, isComposing, target } = event as KeyboardEvent;
    if (key !== 'Enter' || isComposing || !(target instanceof HTMLInputElement)) return;
    setTimeout(() => {
      const own = form();
      if (own && !event.defaultPrevented && !signal.aborted) submitImplicitly(own);
    });
  };
  root.addEventListener('keypress', onKeyPress, { signal });
}

/** Types of inputs of which a form without a button may have one to be submitted by Enter (HTML, implicit submission). */
const blocking = /^(?:text|search|tel|url|email|password|date|month|week|time|datetime-local|number)$/;

/** Whether a control is a line that is typed into, in an element of ours or not. */
function isLine(control: Element): boolean {
  const input = control.shadowRoot?.querySelector('input') ?? control;
  return input instanceof HTMLInputElement && blocking.test(input.type);
}

const isButton = (control: Element): control is HTMLButtonElement | HTMLInputElement =>
  (control instanceof HTMLButtonElement || control instanceof HTMLInputElement) &&
  /^(?:submit|image)$/.test(control.type);

/** The first button that submits a form, in the order of the page: `elements` leaves image buttons out (HTML, default button). */
const defaultButton = (form: HTMLFormElement): HTMLButtonElement | HTMLInputElement | undefined =>
  [...(form.getRootNode() as Document | ShadowRoot).querySelectorAll('button, input')].find(
    (one): one is HTMLButtonElement | HTMLInputElement => isButton(one) && one.form === form,
  );

/**
 * Submits a form as Enter in one of its controls does (HTML, "implicit submission"): by its first button, unless that is disabled; without one, if no
 * more than one line of it is typed into.
 */
export function submitImplicitly(form: HTMLFormElement): void {
  const button = defaultButton(form);
  if (button) {
    if (!button.matches(':disabled')) button.click();
    return;
  }
  if ([...form.elements].filter(isLine).length <= 1) form.requestSubmit();
}

/**
 * Enter in the controls of a shadow tree submits the form that the element around it stands in: for the browser they stand in none. The browser announces
 * Enter in a line as an edit, after each handler of the page and not while somebody composes; in buttons and boxes it does not.
 */
export function listenToEnter(
  root: ShadowRoot,
  form: () => HTMLFormElement | null,
  signal: AbortSignal,
): void {
  const onBeforeInput = (event: Event): void => {
    const { inputType, isComposing, target } = event as InputEvent;
    if (isComposing || event.defaultPrevented || !(target instanceof HTMLInputElement)) return;
    if (!/^insert(?:LineBreak|Paragraph)$/.test(inputType)) return;
    const own = form();
    if (own) submitImplicitly(own);
  };
  const onKeyDown = (event: Event): void => {
    const { key, isComposing, target, defaultPrevented } = event as KeyboardEvent;
    const isBox = target instanceof HTMLInputElement && /^(?:radio|checkbox)$/.test(target.type);
    if (key !== 'Enter' || isComposing || defaultPrevented || !isBox) return;
    const own = form();
    if (own) submitImplicitly(own);
  };
  root.addEventListener('beforeinput', onBeforeInput, { signal });
  root.addEventListener('keydown', onKeyDown, { signal });
}

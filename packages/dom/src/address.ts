/** Submits that were stopped because they would have put a secret into the address. */
const refused = new WeakSet<Event>();

/** Whether a submit was refused because it would have put a secret into the address. Security relevant. */
export const wasRefused = (event: Event): boolean => refused.has(event);

/** Whether a form sends its data in the address (HTML, form submission, method GET). */
function sendsInAddress(form: HTMLFormElement, submitter: HTMLElement | null): boolean {
  const method = submitter?.getAttribute('formmethod') ?? form.getAttribute('method') ?? '';
  return !/^(?:post|dialog)$/i.test(method);
}

/**
 * Refuses the browser's own submit of a form by GET: a concealed value would be in the address, and so in the
 * history and in logs of servers. A page that sends the form itself has prevented the browser's submit by
 * then. Listens on the window, after every handler of the page.
 *
 * @example keepOutOfAddress(document.defaultView, () => input.form, signal);
 */
export function keepOutOfAddress(
  view: Window | null,
  form: () => HTMLFormElement | null,
  signal: AbortSignal,
): void {
  const onSubmit = (event: SubmitEvent): void => {
    const own = form();
    if (!own || event.target !== own || event.defaultPrevented || !sendsInAddress(own, event.submitter))
      return;
    event.preventDefault();
    refused.add(event);
    console.error(
      'Not sent: the form has a concealed field and would be sent by GET, which puts its value into the address. Set method="post" on the form, or send the record with "send".',
    );
  };
  view?.addEventListener('submit', onSubmit, { signal });
}

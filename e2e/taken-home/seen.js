// What a page shows of a field: what a person sees, what the form submits, where the caret is. `around` has the field in it.
export function seen(id) {
  const around = document.querySelector(`[data-field="${id}"]`);
  const root = around.shadowRoot ?? around;
  const drawn = root.querySelector('[data-draw]');
  const head = drawn
    ? drawn.matches('select')
      ? drawn
      : drawn.querySelector('input')
    : root.querySelector('input, textarea');
  const form = document.querySelector('form');
  const isElement = around.shadowRoot !== null;
  const isPicked = drawn !== null;
  const { rejected, leftOut } = window.stateOf(id);
  const told = isPicked ? [drawn, ...drawn.querySelectorAll('input')] : [head];
  return {
    display: isPicked ? words(drawn) : head.value,
    hasCaret: !isPicked,
    caret: isPicked ? [0, 0] : [head.selectionStart, head.selectionEnd],
    raw: isPicked ? new FormData(form).getAll(id).join(' ') : new FormData(form).get(id),
    messages: [...root.querySelectorAll('[aria-live] p')].map((line) => line.textContent),
    invalid: told.some((one) => one.getAttribute('aria-invalid') === 'true'),
    valid: (isElement ? around : head).validity.valid,
    rejected: rejected ?? '',
    leftOut,
    focused: root.contains(head.getRootNode().activeElement) && document.hasFocus(),
  };
}

const words = (drawn) =>
  (drawn.matches('select')
    ? [...drawn.selectedOptions].filter(({ value }) => value).map(({ text }) => text)
    : [...drawn.querySelectorAll(':checked')].map((box) => box.parentElement.textContent)
  ).join('; ');

/** What the address asks for: one field or form, on what day. */
export const asked = () => Object.fromEntries(new URLSearchParams(location.search));

/** Sends a record as a page would, and hears what is wrong with it. */
export const send = async (form, record) => {
  const response = await fetch(`/forms/${form}/records`, {
    method: 'POST',
    body: JSON.stringify(record.raw),
  });
  return (await response.json()).findings;
};

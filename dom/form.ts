import type { FormStore } from './form-store.ts';

/**
 * Binds a form to a real `<form>`: its submit and its reset are one event of the form each, after all its fields have
 * taken over what their inputs show; the first field that holds a submit back gets the focus. The fields are bound by themselves, each
 * with `store.field(id)`. Returns the way to let go again.
 */
export function bindForm(element: HTMLFormElement, store: FormStore): () => void {
  const release = new AbortController();
  const { signal } = release;
  // Fields take over what is shown as the event comes down (`form-part.ts`); handlers on the form find them submitted.
  element.addEventListener('submit', () => store.dispatch({ type: 'submit' }), { signal, capture: true });
  // On the root: a reset that a handler on the form prevents has not happened.
  const onReset = (event: Event): void => {
    if (event.target === element && !event.defaultPrevented) store.dispatch({ type: 'reset' });
  };
  element.getRootNode().addEventListener('reset', onReset, { signal });
  let { sending } = store.state();
  const letGo = store.subscribe((state) => {
    if (state.sending === sending) return;
    sending = state.sending;
    // Held back, by a button or by a code that completed: where it is wrong, there one goes on.
    if (sending.is === 'no' && sending.wrong !== undefined) focusOn(element, sending.wrong);
  });
  return () => {
    letGo();
    release.abort();
  };
}

/** Puts the focus on a field's control, of several that share the name on the first that can take it. */
function focusOn(form: HTMLFormElement, name: string): void {
  for (const control of form.elements)
    if (control.getAttribute('name') === name && control instanceof HTMLElement) {
      control.focus();
      if (control.matches(':focus')) return;
    }
}

import type { FieldStore } from './store.ts';
import type { TextControl } from './text-control.ts';

/**
 * The field's part in its form: raw (or display) in `FormData`, reset, submit. The listeners sit on the document, or the
 * shadow root the input is in, and ask for the input's form when something happens, since an input may change forms.
 * `catchUp` takes over what the input shows before any of it is handed on.
 */
export function joinForm(
  input: TextControl,
  store: FieldStore,
  submits: 'raw' | 'display',
  signal: AbortSignal,
  catchUp: () => void,
): void {
  const page = input.getRootNode();
  const isOurs = (event: Event): boolean => event.target === input.form;

  const onFormData = (event: FormDataEvent): void => {
    if (!isOurs(event)) return;
    catchUp();
    if (submits === 'display' || !input.name || input.disabled) return;
    const { raw } = store.reading();
    const sharing = [...input.form!.elements].filter(
      (control) =>
        (control as HTMLInputElement).name === input.name && !(control as HTMLInputElement).disabled,
    );
    const values = event.formData.getAll(input.name);
    const own = sharing.indexOf(input);
    event.formData.delete(input.name);
    values.forEach((value, i) => {
      event.formData.append(input.name, i === own ? raw : value);
    });
  };
  const onReset = (event: Event): void => {
    if (!isOurs(event) || event.defaultPrevented) return;
    if (!store.inForm) store.dispatch({ type: 'reset' });
    // The browser puts the default value back after this event, so that has to be the field's own.
    input.defaultValue = store.state().body.display;
  };
  const onSubmit = (event: Event): void => {
    if (!isOurs(event)) return;
    catchUp();
    if (!store.inForm) store.dispatch({ type: 'submit' });
  };
  page.addEventListener('formdata', onFormData as EventListener, { signal });
  page.addEventListener('reset', onReset, { signal });
  page.addEventListener('submit', onSubmit, { signal, capture: true });
}

import type { FieldStore } from './store.ts';
import type { TextControl } from './text-control.ts';

/** The part of a bound field in the form of its control. */
export interface FormPart {
  /** The current form: a control may move to another form. */
  form(): HTMLFormElement | null;
  /** Takes over what the control shows before it is submitted. */
  catchUp(): void;
  /** Makes the field's value the control's default, which the browser restores on reset. */
  settle(): void;
}

/**
 * Adds the field to its form: it is submitted and reset with it. The listeners are on the document or the
 * shadow root.
 */
export function joinForm(element: HTMLElement, part: FormPart, store: FieldStore, signal: AbortSignal): void {
  const page = element.getRootNode();
  const onReset = (event: Event): void => {
    if (event.target !== part.form() || event.defaultPrevented) return;
    if (!store.inForm) store.dispatch({ type: 'reset' });
    part.settle();
  };
  const onSubmit = (event: Event): void => {
    if (event.target !== part.form()) return;
    part.catchUp();
    if (!store.inForm) store.dispatch({ type: 'submit' });
  };
  page.addEventListener('reset', onReset, { signal });
  page.addEventListener('submit', onSubmit, { signal, capture: true });
}

/** Puts the raw value into `FormData` under the input's name, in place of what the input shows. */
export function submitRaw(
  input: TextControl,
  part: FormPart,
  store: FieldStore,
  submits: 'raw' | 'display' | undefined,
  signal: AbortSignal,
): void {
  const onFormData = (event: FormDataEvent): void => {
    const { form } = input;
    if (!form || event.target !== form) return;
    part.catchUp();
    if (submits === 'display' || !input.name || input.disabled) return;
    const { raw } = store.evaluation();
    const sharing = [...form.elements].filter(
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
  input.getRootNode().addEventListener('formdata', onFormData as EventListener, { signal });
}

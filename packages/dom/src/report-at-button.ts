import { fieldName, type HydratedField } from '@arbeit/engine/field';
import type { FormStore } from './form-store.ts';

/** A control that can show a validation bubble of the browser (HTML, constraint validation). */
type Button = HTMLButtonElement | HTMLInputElement;

/** Buttons that show a message now, by form. */
const told = new WeakMap<HTMLFormElement, Button>();

/** The button that submits a form if nobody pressed one (HTML, default button). */
const defaultButton = (form: HTMLFormElement): Button | undefined =>
  [...form.elements].find(
    (one): one is Button => one.matches('[type=submit], [type=image]') || isPlainButton(one),
  );
const isPlainButton = (one: Element): boolean => one instanceof HTMLButtonElement && one.type === 'submit';

/**
 * Shows the problem of a field that has no control on the page, or none that can take the focus: in a bubble
 * at the button for the user, and on the console for the developer. A form that is held back must not be
 * silent.
 */
export function reportAtButton(
  form: HTMLFormElement,
  submitter: HTMLElement | null,
  store: Pick<FormStore, 'form' | 'evaluation'>,
  field: HydratedField,
): void {
  const { id, label } = field;
  const { shown, problem } = store.evaluation(id);
  const text = `${label}: ${shown[0]?.message ?? problem}`;
  console.error(
    `The form "${store.form.id}" was not submitted: its field "${id}" is wrong, and no control of the name "${fieldName(field)}" on the page can take the focus. Show the field, or leave it out of the form.`,
  );
  const pressed =
    submitter instanceof HTMLButtonElement || submitter instanceof HTMLInputElement ? submitter : undefined;
  const button = pressed ?? defaultButton(form);
  if (!button) return;
  told.set(form, button);
  button.setCustomValidity(text);
  button.reportValidity();
  // The bubble is only for this press.
  button.addEventListener('blur', () => clearBubble(form), { once: true });
}

/** Removes the message from the button. */
export function clearBubble(form: HTMLFormElement): void {
  told.get(form)?.setCustomValidity('');
  told.delete(form);
}

import type { FieldStore } from '@arbeit/dom';
import type { FieldShell } from './shell.ts';

/** The validity of an element for its form: what the page says first, then the field, then `required`. */
export interface Validity {
  setProblem(message: string): void;
  /** Hands it to the form, as it is now. */
  settle(): void;
}

export function validityOf(
  { element, internals, problem }: FieldShell,
  named: HTMLElement,
  store: FieldStore,
): Validity {
  let own = '';
  const settle = (): void => {
    const { display, counts } = store.evaluation();
    const custom = problem() || own;
    const isMissing = !custom && counts && display === '' && element.hasAttribute('required');
    const message = custom || (isMissing ? missingMessage(element) : '');
    const { validity, validationMessage } = internals;
    if (validationMessage === message && validity.valueMissing === isMissing) return;
    internals.setValidity(
      isMissing ? { valueMissing: true } : custom ? { customError: true } : {},
      message,
      named,
    );
  };
  return {
    setProblem(message) {
      own = message;
      settle();
    },
    settle,
  };
}

/** The message of the browser for an empty control, in its language (HTML, `required`). */
function missingMessage({ ownerDocument }: HTMLElement): string {
  const input = ownerDocument.createElement('input');
  input.required = true;
  return input.validationMessage || 'required';
}

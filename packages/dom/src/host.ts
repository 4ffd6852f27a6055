import type { Evaluation } from '@arbeit/engine/field';
import { isAsking, watchAsking } from './validity.ts';

/** A native control with constraint validation that belongs to a form. */
type Native = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/**
 * What a field is bound to on its page: a native control, or a custom element with internals (HTML,
 * `ElementInternals`). Bindings need nothing else of it.
 */
export interface Host {
  /** The control, or the custom element around it: what is on the page and in the form. */
  readonly element: HTMLElement;
  /** The current form; it may change. */
  form(): HTMLFormElement | null;
  /** Tells assistive technology whether the value is invalid (WAI-ARIA, `aria-invalid`). */
  setWrong(isWrong: boolean): void;
  /**
   * Sets the validation message of the browser (HTML, constraint validation); an empty message means valid.
   */
  setProblem(message: string): void;
  /** Whether a program only asks if the control is valid, so that nothing is shown. */
  isAsking(): boolean;
  /** Starts to distinguish a program's question from a submit. Returns a function that stops. */
  watch(): () => void;
}

/** The host of a native control. Validation messages are set on `told` if that is another control. */
export function nativeHost(
  element: HTMLElement,
  control: Native | undefined,
  told: () => readonly Element[],
): Host {
  return {
    element,
    form: () => control?.form ?? null,
    setWrong(isWrong) {
      const value = String(isWrong);
      for (const element of told()) if (element.ariaInvalid !== value) element.ariaInvalid = value;
    },
    setProblem(message) {
      if (control && control.validationMessage !== message) control.setCustomValidity(message);
    },
    isAsking: () => control !== undefined && isAsking(control),
    watch() {
      const letGo = [control, control?.form].flatMap((one) => (one ? [watchAsking(one)] : []));
      return () => {
        for (const stop of letGo) stop();
      };
    },
  };
}

/** Shows the evaluation of a field on its host. */
export function tellHost(host: Host, { shown, problem }: Evaluation): void {
  host.setWrong(shown.some(({ severity }) => severity === 'error'));
  host.setProblem(problem);
}

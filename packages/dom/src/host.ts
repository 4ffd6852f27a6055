import type { Evaluation } from '@arbeit/engine/field';
import { isAsking, watchAsking } from './validity.ts';

/** A control of the page that has a validity and stands in a form. */
type Native = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/**
 * What a field stands on, on its page: a control of the page, or an element of somebody's own with internals
 * (HTML, `ElementInternals`). The bindings ask nothing else of it.
 */
export interface Host {
  /** What stands on the page and, where it is in one, in the form: the control, or the element around it. */
  readonly element: HTMLElement;
  /** The form it is in now; it may change forms. */
  form(): HTMLFormElement | null;
  /** Tells assistive technology whether what stands there is wrong (WAI-ARIA, `aria-invalid`). */
  setWrong(isWrong: boolean): void;
  /** Tells the browser what is wrong (HTML, constraint validation); nothing, where the message is empty. */
  setProblem(message: string): void;
  /** Whether a program only asks if it is valid: then nobody is to be shown anything. */
  isAsking(): boolean;
  /** Until it is called back, `isAsking` is known. */
  watch(): () => void;
}

/** The host a native control is. What is wrong is told on `told`, where that is not the control itself. */
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

/** Tells a host what there is to tell of its field. */
export function tellHost(host: Host, { shown, problem }: Evaluation): void {
  host.setWrong(shown.some(({ severity }) => severity === 'error'));
  host.setProblem(problem);
}

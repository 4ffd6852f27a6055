import { bindForm, createFormStore, type FieldStore, type FormStore, type SendRecord } from '@arbeit/dom';
import { type HydratedForm, idOf } from '@arbeit/engine/form';
import { givenBefore } from './control.ts';
import type { StoreOwner } from './field-element.ts';
import { type Sources, waitFor } from './sources.ts';
import { noForm } from './usage.ts';

/** The element of a form, for scripts. */
export interface FormElement extends StoreOwner {
  /** The store of its form. Throws `RangeError` while there is no form with this name. */
  readonly store: FormStore;
  /**
   * Sends the record in place of the browser and resolves to the server's findings. Without it the `<form>`
   * is submitted as usual once it is ready. Either way the element dispatches `arbeit-record` with the
   * record.
   */
  send: SendRecord | undefined;
}

/** What elements need to know of the page's forms. */
export interface FormTable {
  /** Forms by id. */
  readonly forms: ReadonlyMap<string, HydratedForm>;
  readonly today?: string | undefined;
  /** Asks the questions of a form's fields while it is on the page. */
  readonly drive?: ((store: FormStore) => () => void) | undefined;
}

/** Binds a form's element to its `<form>`. Returns a function that unbinds. */
function attach(element: FormElement, form: HTMLFormElement, { drive }: FormTable): () => void {
  const { store } = element;
  let { sending } = store.state();
  const tellRecord = (): void => {
    const before = sending;
    ({ sending } = store.state());
    if (sending.is !== 'sending' || before === sending) return;
    const { record } = sending;
    element.dispatchEvent(
      new CustomEvent('arbeit-record', { bubbles: true, composed: true, detail: record }),
    );
  };
  const letGo = [
    store.subscribe(tellRecord),
    // The element may receive its `send` function later.
    bindForm(form, store, {
      get send() {
        return element.send;
      },
    }),
    ...(drive ? [drive(store)] : []),
  ];
  return () => {
    for (const stop of letGo) stop();
  };
}

/** Runs the element of one form. Made by the hand-off that has the form. */
interface FormController {
  readonly store: FormStore;
  attach(form: HTMLFormElement): () => void;
}

/** Forms, with the code that runs their elements. */
export interface FormSource {
  has(id: string): boolean;
  make(element: FormElement, id: string): FormController;
}

/** The source for the forms of a table. */
export const formSource = (table: FormTable): FormSource => ({
  has: (id) => table.forms.has(id),
  make(element, id) {
    const form = table.forms.get(id);
    if (!form) throw noForm(id);
    return {
      store: createFormStore(form, table.today),
      attach: (around) => attach(element, around, table),
    };
  },
});

/**
 * The class of `<arbeit-form>`. It is inside a `<form>` or around one, submits and resets it, and its fields
 * share the form's state. It finds its form by the attribute `form` in the hand-offs of the page. Only called
 * where there is a page.
 */
export function formElementClass(sources: Sources<FormSource>): CustomElementConstructor {
  return class extends HTMLElement implements FormElement {
    send = givenBefore(this, 'send') as SendRecord | undefined;
    #controller: FormController | undefined;
    #release: (() => void) | undefined;

    #find(): FormController | undefined {
      const id = this.getAttribute('form') ?? '';
      this.#controller ??= sources.all.find((source) => source.has(id))?.make(this, id);
      return this.#controller;
    }
    get #missing(): RangeError {
      return noForm(this.getAttribute('form') ?? '');
    }
    get store(): FormStore {
      const found = this.#find();
      if (!found) throw this.#missing;
      return found.store;
    }
    storeOf(id: string): FieldStore | undefined {
      const store = this.#find()?.store;
      return store?.form.places.has(idOf(store.form, id)) ? store.field(id) : undefined;
    }
    isMissing(): boolean {
      return this.#find() === undefined;
    }
    connectedCallback(): void {
      this.style.display ||= 'contents';
      const look = (): boolean => {
        const form = this.closest('form') ?? this.querySelector('form');
        const found = this.#find();
        if (!form || !found) return false;
        this.#release?.();
        this.#release = found.attach(form);
        return true;
      };
      if (look()) return;
      // Its content, or the hand-off with the form, is still loading.
      const watch = new MutationObserver(look);
      watch.observe(this, { childList: true, subtree: true });
      const message = (): string | undefined => (this.#find() ? undefined : this.#missing.message);
      const stop = waitFor(sources, this.ownerDocument, look, message);
      this.#release = () => {
        watch.disconnect();
        stop();
      };
    }
    disconnectedCallback(): void {
      this.#release?.();
      this.#release = undefined;
    }
  };
}

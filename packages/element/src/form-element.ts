import { bindForm, createFormStore, type FieldStore, type FormStore, type SendRecord } from '@arbeit/dom';
import type { HydratedForm } from '@arbeit/engine/form';
import { givenBefore } from './control.ts';
import type { StoreOwner } from './field-element.ts';
import { type Sources, waitFor } from './sources.ts';

/** A form's element, to whoever writes to it from a script. */
export interface FormElement extends StoreOwner {
  /** Throws `RangeError` while no form of that name is known. */
  readonly store: FormStore;
  /**
   * Sends the record in place of the browser, and tells what the server found wrong. Left out, the `<form>` is sent as HTML has it, once
   * the form lets it. Either way the element tells of the record with the event `arbeit-record`.
   */
  send: SendRecord | undefined;
}

/** What an element needs to know of the page's forms. */
export interface FormTable {
  /** By id. */
  readonly forms: ReadonlyMap<string, HydratedForm>;
  readonly today?: string | undefined;
  /** Puts the questions of a form's fields while it is on the page. */
  readonly drive?: ((store: FormStore) => () => void) | undefined;
}

/** Ties a form's element to the `<form>` it is about. Returns the way to let go. */
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
    // The element may be told later how its record is sent.
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

/** What runs one form's element: made by the hand-off that has the form. */
interface FormController {
  readonly store: FormStore;
  attach(form: HTMLFormElement): () => void;
}

/** Forms, with what runs their elements. */
export interface FormSource {
  has(id: string): boolean;
  make(element: FormElement, id: string): FormController;
}

/** The source of the forms of a table. */
export const formSource = (table: FormTable): FormSource => ({
  has: (id) => table.forms.has(id),
  make(element, id) {
    const form = table.forms.get(id);
    if (!form) throw new RangeError(`There is no form "${id}" among those the elements were defined with.`);
    return {
      store: createFormStore(form, table.today),
      attach: (around) => attach(element, around, table),
    };
  },
});

/**
 * The class of `<arbeit-form>`, which stands in a `<form>` or around one: its submit and reset are the form's, and fields inside share its
 * state. The form it is comes by its attribute `form` from the page's hand-offs. Made where there is a page.
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
    get #message(): string {
      return `There is no form "${this.getAttribute('form') ?? ''}" among those the elements were defined with.`;
    }
    get store(): FormStore {
      const found = this.#find();
      if (!found) throw new RangeError(this.#message);
      return found.store;
    }
    storeOf(id: string): FieldStore | undefined {
      const store = this.#find()?.store;
      return store?.form.places.has(id) ? store.field(id) : undefined;
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
      // What stands inside is still on its way, or the hand-off that has the form.
      const watch = new MutationObserver(look);
      watch.observe(this, { childList: true, subtree: true });
      const message = (): string | undefined => (this.#find() ? undefined : this.#message);
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

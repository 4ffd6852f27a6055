import {
  bindForm,
  createFormStore,
  driveSending,
  type FieldStore,
  type FormStore,
  type SendRecord,
} from '@arbeit/dom';
import type { OpenForm } from '@arbeit/engine/form';
import { givenBefore } from './control.ts';
import type { StoreOwner } from './field-element.ts';

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
  readonly forms: ReadonlyMap<string, OpenForm>;
  readonly today?: string | undefined;
  /** Puts the questions of a form's fields while it is on the page. */
  readonly drive?: ((store: FormStore) => () => void) | undefined;
}

/** Ties a form's element to the `<form>` it is about. Returns the way to let go. */
function attach(element: FormElement, form: HTMLFormElement, { drive }: FormTable): () => void {
  const { store } = element;
  // Messages have their own places, and whether the form is held back is its own word.
  const { noValidate } = form;
  form.noValidate = true;
  /** The browser sends the form itself, now. */
  let isNative = false;
  const send: SendRecord = (record) => {
    element.dispatchEvent(
      new CustomEvent('arbeit-record', { bubbles: true, composed: true, detail: record }),
    );
    if (element.send) return element.send(record);
    // An answer was waited for, or a code completed: the browser has been told to hold it back by now.
    queueMicrotask(() => {
      if (!isNative) form.submit();
    });
    // The page goes: nobody is left to hear what the server says.
    return new Promise(() => {});
  };
  const onSubmit = (event: SubmitEvent): void => {
    isNative = !element.send && store.state().sending.is === 'sending';
    if (!isNative) event.preventDefault();
  };
  const letGo = [bindForm(form, store), driveSending(store, send), ...(drive ? [drive(store)] : [])];
  form.addEventListener('submit', onSubmit);
  return () => {
    for (const stop of letGo) stop();
    form.removeEventListener('submit', onSubmit);
    form.noValidate = noValidate;
  };
}

/**
 * The class of `<arbeit-form>`, which stands in a `<form>` or around one: its submit and reset are the form's, and fields inside share its
 * state. The form it is comes from a table by its attribute `form`. Made where there is a page.
 */
export function formElementClass(table: FormTable): CustomElementConstructor {
  return class extends HTMLElement implements FormElement {
    send = givenBefore(this, 'send') as SendRecord | undefined;
    #store: FormStore | undefined;
    #release: (() => void) | undefined;

    get store(): FormStore {
      if (!this.#store) {
        const id = this.getAttribute('form') ?? '';
        const form = table.forms.get(id);
        if (!form)
          throw new RangeError(`There is no form "${id}" among those the elements were defined with.`);
        this.#store = createFormStore(form, table.today);
      }
      return this.#store;
    }
    storeOf(id: string): FieldStore | undefined {
      const { store } = this;
      return store.form.places.has(id) ? store.field(id) : undefined;
    }
    connectedCallback(): void {
      this.style.display ||= 'contents';
      const look = (): boolean => {
        const form = this.closest('form') ?? this.querySelector('form');
        if (form) this.#release = attach(this, form, table);
        return form !== null;
      };
      if (look()) return;
      // What stands inside is still on its way.
      const watch = new MutationObserver(() => {
        if (look()) watch.disconnect();
      });
      watch.observe(this, { childList: true, subtree: true });
      this.#release = () => watch.disconnect();
    }
    disconnectedCallback(): void {
      this.#release?.();
      this.#release = undefined;
    }
  };
}

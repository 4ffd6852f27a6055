import { bindForm, carryOver, createFormStore, type FormStore, type SendRecord } from '@arbeit/dom';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { type Attachment, createAttachmentKey } from 'svelte/attachments';
import { createSubscriber } from 'svelte/reactivity';
import { type Field, field } from './field.ts';

/** A form in a Svelte component. Its members are reactive. */
export interface Form<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Whether every field that counts passes all its rules of severity `error`. */
  readonly isReady: boolean;
  /** The state of submitting. */
  readonly sending: Sending;
  /**
   * To spread on the `<form>`: an attachment that binds it. Messages have elements of their own, so the
   * browser shows no bubbles.
   */
  readonly formProps: { readonly novalidate: true; readonly [key: symbol]: Attachment<HTMLFormElement> };
  /** A field of the form. `id`: what ids begin with, if the form is on a page twice. */
  field<I extends keyof V & string>(name: I, id?: string): Field<NonNullable<V[I]> & string>;
}

/** Options of a form. */
export interface FormOptions<V extends Values = Values> {
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
  /**
   * Sends the record in place of the browser and resolves to the server's findings, which are shown at their
   * fields. Without it the browser submits the form once it is ready.
   */
  readonly send?: SendRecord<V> | undefined;
  /**
   * A store whose values are copied, for example that of the same form in another language, with which the
   * component was drawn before.
   */
  readonly from?: FormStore<V> | undefined;
  /** Asks the questions of the fields while the `<form>` exists: `driveFormAsks`. */
  readonly drive?: ((store: FormStore<V>) => () => void) | undefined;
}

/**
 * A form, for a component.
 *
 * @example
 * const live = form(booking);
 */
export function form<V extends Values = Values>(
  definition: HydratedForm<V>,
  { today, drive, send, from }: FormOptions<V> = {},
): Form<V> {
  const store = createFormStore(definition, today);
  if (from) carryOver(from, store);
  const track = createSubscriber((update) => store.subscribe(update));
  return {
    store,
    get isReady() {
      track();
      return store.isReady();
    },
    get sending() {
      track();
      return store.state().sending;
    },
    formProps: {
      novalidate: true,
      [createAttachmentKey()]: (element: HTMLFormElement) => {
        const letGo = [bindForm(element, store, { send }), ...(drive ? [drive(store)] : [])];
        return () => {
          for (const stop of letGo) stop();
        };
      },
    },
    field(name, id) {
      const own = store.field(name);
      return field(own.field, { store: own, ...(id === undefined ? {} : { id: `${id}-${name}` }) });
    },
  };
}

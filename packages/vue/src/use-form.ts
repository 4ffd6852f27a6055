import { bindForm, carryOver, createFormStore, type FormStore, type SendRecord } from '@arbeit/dom';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { onScopeDispose, type Ref, shallowRef } from 'vue';
import { type Field, useField } from './use-field.ts';
import { whenOnPage } from './when-on-page.ts';

/** A form in a Vue component. */
export interface Form<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Whether every field that counts passes all its rules of severity `error`. */
  readonly isReady: Readonly<Ref<boolean>>;
  /** The state of submitting. */
  readonly sending: Readonly<Ref<Sending>>;
  /** For `v-bind` on the `<form>`. Messages have elements of their own, so the browser shows no bubbles. */
  readonly formProps: Readonly<Record<string, unknown>>;
  /** A field of the form. */
  field<I extends keyof V & string>(id: I): Field<NonNullable<V[I]> & string>;
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
  /** Asks the questions of the fields while the component exists: `driveFormAsks`. */
  readonly drive?: ((store: FormStore<V>) => () => void) | undefined;
}

/**
 * A form, for a component's setup.
 *
 * @example
 * const { store, formProps } = useForm(booking);
 */
export function useForm<V extends Values = Values>(
  form: HydratedForm<V>,
  { today, drive, send, from }: FormOptions<V> = {},
): Form<V> {
  const store = createFormStore(form, today);
  if (from) carryOver(from, store);
  const isReady = shallowRef(store.isReady());
  const sending = shallowRef(store.state().sending);
  onScopeDispose(
    store.subscribe((state) => {
      isReady.value = store.isReady();
      sending.value = state.sending;
    }),
  );
  if (drive) onScopeDispose(drive(store));
  const ref = whenOnPage((element) =>
    element instanceof HTMLFormElement ? bindForm(element, store, { send }) : undefined,
  );
  return {
    store,
    isReady,
    sending,
    formProps: { novalidate: true, ref },
    field(id) {
      const own = store.field(id);
      return useField(own.field, { store: own });
    },
  };
}

import { bindForm, createFormStore, type FormStore, type SendRecord } from '@arbeit/dom';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { onScopeDispose, type Ref, shallowRef } from 'vue';
import { type Field, useField } from './use-field.ts';
import { whenOnPage } from './when-on-page.ts';

/** A form in a Vue component. */
export interface Form<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Whether every field that counts passes all its rules of severity `error`. */
  readonly isReady: Readonly<Ref<boolean>>;
  /** How sending stands. */
  readonly sending: Readonly<Ref<Sending>>;
  /** For `v-bind` on the `<form>`. */
  readonly form: Readonly<Record<string, unknown>>;
  /** A field of the form. */
  field<I extends keyof V & string>(id: I): Field<NonNullable<V[I]> & string>;
}

/**
 * A form, for a component's setup. `options.send` sends the record in place of the browser and resolves to
 * the server's findings; without it the browser submits the form once it is ready. `options.drive` asks its
 * questions while the component exists: `driveFormAsks`.
 *
 * @example
 * const { store } = useForm(booking);
 */
export function useForm<V extends Values = Values>(
  form: HydratedForm<V>,
  options: {
    readonly today?: string;
    readonly send?: SendRecord<V>;
    readonly drive?: (store: FormStore<V>) => () => void;
  } = {},
): Form<V> {
  const { today, drive, send } = options;
  const store = createFormStore(form, today);
  const isReady = shallowRef(store.isReady());
  const sending = shallowRef(store.state().sending);
  onScopeDispose(
    store.subscribe((state) => {
      isReady.value = store.isReady();
      sending.value = state.sending;
    }),
  );
  if (drive) onScopeDispose(drive(store));
  const tie = whenOnPage((element) =>
    element instanceof HTMLFormElement ? bindForm(element, store, { send }) : undefined,
  );
  return {
    store,
    isReady,
    sending,
    form: { novalidate: true, ref: tie },
    field(id) {
      const own = store.field(id);
      return useField(own.field, { store: own });
    },
  };
}

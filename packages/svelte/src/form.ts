import { bindForm, createFormStore, type FormStore, type SendRecord } from '@arbeit/dom';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { type ActionResult, type Field, field } from './field.ts';

/** A form as a Svelte store: `$booking` says whether it is ready and how sending stands. */
export interface Form<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Calls `listener` now and after each change. Returns a function that unsubscribes. */
  subscribe(listener: (told: { readonly isReady: boolean; readonly sending: Sending }) => void): () => void;
  /** An action for the `<form>`. */
  readonly form: (element: HTMLFormElement) => ActionResult;
  /** A field of the form. */
  field<I extends keyof V & string>(id: I): Field<NonNullable<V[I]> & string>;
}

/**
 * A form, for a component. `options.send` sends the record in place of the browser and resolves to the
 * server's findings; without it the browser submits the form once it is ready. `options.drive` asks its
 * questions while the `<form>` exists: `driveFormAsks`.
 *
 * @example
 * const live = form(booking);
 */
export function form<V extends Values = Values>(
  definition: HydratedForm<V>,
  options: {
    readonly today?: string;
    readonly send?: SendRecord<V>;
    readonly drive?: (store: FormStore<V>) => () => void;
  } = {},
): Form<V> {
  const { today, drive, send } = options;
  const store = createFormStore(definition, today);
  return {
    store,
    subscribe(listener) {
      const tell = (): void => listener({ isReady: store.isReady(), sending: store.state().sending });
      tell();
      return store.subscribe(tell);
    },
    form(element) {
      const letGo = [bindForm(element, store, { send }), ...(drive ? [drive(store)] : [])];
      return {
        destroy() {
          for (const stop of letGo) stop();
        },
      };
    },
    field(id) {
      const own = store.field(id);
      return field(own.field, { store: own });
    },
  };
}

import {
  type BindOptions,
  bindControl,
  controlAttributesOf,
  createStore,
  evaluateOn,
  type FieldStore,
  rootAttributesOf,
} from '@arbeit/dom';
import type { Evaluation, HydratedField, Plan, TextState } from '@arbeit/engine/field';
import { computed, onScopeDispose, type Ref, shallowRef, type WritableComputedRef } from 'vue';
import { whenOnPage } from './when-on-page.ts';

/** A field in a Vue component. */
export interface Field<V extends string = string> {
  readonly store: FieldStore<V>;
  /** The evaluation of its current state. */
  readonly evaluation: Readonly<Ref<Evaluation<V>>>;
  /** The raw value, to read and write: `v-model` on a component of your own. */
  readonly raw: WritableComputedRef<string>;
  /** The typed value; `null` until complete and well-formed. */
  readonly value: Readonly<Ref<V | null>>;
  /**
   * For `v-bind` on the element around it: states as attributes to style by (`data-wrong`), its appearance,
   * and `hidden` while it does not count.
   */
  readonly states: Readonly<Ref<Readonly<Record<string, unknown>>>>;
  /**
   * For `v-bind` on an `<input>`, `<textarea>` or `<select>`, or on the element around radio buttons or
   * checkboxes. The field owns the text: do not add `v-model`.
   */
  readonly control: Readonly<Record<string, unknown>>;
}

/**
 * A field of one definition, for a component's setup. `options.store` is a store made elsewhere, for example
 * a form's. `options.today` (ISO 8601) replaces the device's clock.
 *
 * @example
 * const { control, evaluation } = useField(pass);
 */
export function useField<V extends string = string>(
  field: HydratedField<Plan, TextState, V>,
  options: Pick<BindOptions, 'submits'> & { readonly store?: FieldStore<V>; readonly today?: string } = {},
): Field<V> {
  const { submits = 'raw', today } = options;
  const store = options.store ?? createStore(field, evaluateOn(today));
  const evaluation = shallowRef(store.evaluation());
  onScopeDispose(
    store.subscribe(() => {
      evaluation.value = store.evaluation();
    }),
  );
  const tie = whenOnPage((element) =>
    element instanceof HTMLElement ? bindControl(element, store, { submits }) : undefined,
  );
  return {
    store,
    evaluation,
    raw: computed({
      get: () => evaluation.value.raw,
      set: (text) => {
        store.dispatch({ type: 'set', text });
      },
    }),
    value: computed(() => evaluation.value.value),
    states: computed(() => rootAttributesOf(field, evaluation.value)),
    control: { ...controlAttributesOf(field), ref: tie },
  };
}

import {
  attributesOf,
  type BindOptions,
  bindControl,
  createStore,
  type FieldStore,
  readOn,
  rootAttributesOf,
} from '@arbeit/dom';
import type { Body, OpenField, Plan, Reading } from '@arbeit/engine/field';
import { computed, onScopeDispose, type Ref, shallowRef, type WritableComputedRef } from 'vue';

/** A field in a component of Vue. */
export interface Field<V extends string = string> {
  readonly store: FieldStore<V>;
  /** What there is to tell of it, anew after each change. */
  readonly reading: Readonly<Ref<Reading<V>>>;
  /** The raw value, to be read and written: `v-model` on a component of one's own. */
  readonly raw: WritableComputedRef<string>;
  /** The typed value, `null` until there is a whole one. */
  readonly value: Readonly<Ref<V | null>>;
  /** With `v-bind` on what is around it: states as attributes to style, `data-wrong`, and its look; `hidden` while it does not count. */
  readonly states: Readonly<Ref<Readonly<Record<string, unknown>>>>;
  /**
   * With `v-bind` on an `<input>`, `<textarea>` or `<select>`, or on an element around buttons and boxes. The text is the field's: no
   * `v-model` beside it.
   */
  readonly control: Readonly<Record<string, unknown>>;
}

/**
 * A field of one definition, for a component's set-up. `store` takes one made elsewhere, a form's; `today` (ISO 8601) stands for the
 * device's clock.
 */
export function useField<V extends string = string>(
  field: OpenField<Plan, Body, V>,
  options: Pick<BindOptions, 'submits'> & { readonly store?: FieldStore<V>; readonly today?: string } = {},
): Field<V> {
  const { submits = 'raw', today } = options;
  const store = options.store ?? createStore(field, readOn(today));
  const reading = shallowRef(store.reading());
  onScopeDispose(
    store.subscribe(() => {
      reading.value = store.reading();
    }),
  );
  let letGo: (() => void) | undefined;
  const tie = (element: unknown): void => {
    letGo?.();
    letGo = element instanceof HTMLElement ? bindControl(element, store, { submits }) : undefined;
  };
  return {
    store,
    reading,
    raw: computed({
      get: () => reading.value.raw,
      set: (text) => {
        store.dispatch({ type: 'set', text });
      },
    }),
    value: computed(() => reading.value.value),
    states: computed(() => rootAttributesOf(field, reading.value)),
    control: { ...attributesOf(field), name: field.id, ref: tie },
  };
}

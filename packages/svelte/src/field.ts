import {
  attributesOf,
  type BindOptions,
  bindControl,
  createStore,
  type FieldStore,
  lookOf,
  readOn,
  showStates,
} from '@arbeit/dom';
import type { Body, OpenField, Plan, Reading } from '@arbeit/engine/field';

/** What an action of Svelte is on its element: how it lets go. */
export interface Tied {
  /** Lets go of the element. */
  destroy(): void;
}

/**
 * A field as a store of Svelte: `$mobile` is what there is to tell of it, anew after each change, and setting the store sets its raw
 * value.
 */
export interface Field<V extends string = string> {
  readonly store: FieldStore<V>;
  /** Calls back with what there is to tell now, and after each change. Returns the way to stop. */
  subscribe(listener: (reading: Reading<V>) => void): () => void;
  /** Puts a raw value in. */
  set(raw: string): void;
  /**
   * As an action (`use:mobile.control`) on an `<input>`, `<textarea>` or `<select>`, or on an element around buttons and boxes. The text
   * is the field's: no `bind:value` beside it.
   */
  readonly control: (element: HTMLElement) => Tied;
  /** As an action on what is around it: states as attributes to style, `data-wrong`, and its look; `hidden` while it does not count. */
  readonly states: (element: HTMLElement) => Tied;
  /** What the control says of itself: `<input {...mobile.attributes}>`. */
  readonly attributes: Readonly<Record<string, string | boolean>>;
}

/**
 * A field of one definition, for a component. `store` takes one made elsewhere, a form's; `today` (ISO 8601) stands for the device's
 * clock.
 */
export function field<V extends string = string>(
  definition: OpenField<Plan, Body, V>,
  options: Pick<BindOptions, 'submits'> & { readonly store?: FieldStore<V>; readonly today?: string } = {},
): Field<V> {
  const { submits = 'raw', today } = options;
  const store = options.store ?? createStore(definition, readOn(today));
  const subscribe = (listener: (reading: Reading<V>) => void): (() => void) => {
    listener(store.reading());
    return store.subscribe(() => listener(store.reading()));
  };
  return {
    store,
    subscribe,
    set(text) {
      store.dispatch({ type: 'set', text });
    },
    control(element) {
      return { destroy: bindControl(element, store, { submits }) };
    },
    states(element) {
      const { style, ...look } = lookOf(definition);
      for (const [name, value] of Object.entries({ 'data-arbeit': 'field', ...look }))
        element.setAttribute(name, value);
      for (const [name, value] of Object.entries(style ?? {})) element.style.setProperty(name, value);
      return {
        destroy: subscribe((reading) => {
          showStates(element, reading);
          element.toggleAttribute('hidden', !reading.counts);
        }),
      };
    },
    attributes: { ...attributesOf(definition), name: definition.id },
  };
}

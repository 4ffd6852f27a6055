import {
  appearanceOf,
  type BindOptions,
  bindControl,
  controlAttributesOf,
  createStore,
  evaluateOn,
  type FieldStore,
  showStates,
} from '@arbeit/dom';
import type { Evaluation, HydratedField, Plan, TextState } from '@arbeit/engine/field';

/** The result of a Svelte action. */
export interface ActionResult {
  /** Unbinds the element. */
  destroy(): void;
}

/** A field as a Svelte store: `$mobile` is its evaluation, and setting the store sets the raw value. */
export interface Field<V extends string = string> {
  readonly store: FieldStore<V>;
  /** Calls `listener` now and after each change. Returns a function that unsubscribes. */
  subscribe(listener: (evaluation: Evaluation<V>) => void): () => void;
  /** Sets the raw value. */
  set(raw: string): void;
  /**
   * An action (`use:mobile.control`) for an `<input>`, `<textarea>` or `<select>`, or for the element around
   * radio buttons or checkboxes. The field owns the text: do not add `bind:value`.
   */
  readonly control: (element: HTMLElement) => ActionResult;
  /**
   * An action for the element around it: states as attributes to style by (`data-wrong`), its appearance, and
   * `hidden` while it does not count.
   */
  readonly states: (element: HTMLElement) => ActionResult;
  /** The attributes of the control: `<input {...mobile.attributes}>`, or of the element around a group. */
  readonly attributes: Readonly<Record<string, string | boolean>>;
}

/**
 * A field of one definition, for a component. `options.store` is a store made elsewhere, for example a
 * form's. `options.today` (ISO 8601) replaces the device's clock.
 *
 * @example
 * const live = field(pass);
 */
export function field<V extends string = string>(
  definition: HydratedField<Plan, TextState, V>,
  options: Pick<BindOptions, 'submits'> & { readonly store?: FieldStore<V>; readonly today?: string } = {},
): Field<V> {
  const { submits = 'raw', today } = options;
  const store = options.store ?? createStore(definition, evaluateOn(today));
  const subscribe = (listener: (evaluation: Evaluation<V>) => void): (() => void) => {
    listener(store.evaluation());
    return store.subscribe(() => listener(store.evaluation()));
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
      const { style, ...look } = appearanceOf(definition);
      for (const [name, value] of Object.entries({ 'data-arbeit': 'field', ...look }))
        element.setAttribute(name, value);
      for (const [name, value] of Object.entries(style ?? {})) element.style.setProperty(name, value);
      return {
        destroy: subscribe((evaluation) => {
          showStates(element, evaluation);
          element.toggleAttribute('hidden', !evaluation.counts);
        }),
      };
    },
    attributes: controlAttributesOf(definition),
  };
}

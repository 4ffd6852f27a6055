import {
  appearanceOf,
  attributesOf,
  type BindOptions,
  bindControl,
  createStore,
  evaluateOn,
  type FieldStore,
  showStates,
} from '@arbeit/dom';
import type { Evaluation, HydratedField, Plan, TextState } from '@arbeit/engine/field';

/** What an action of Svelte is on its element: how it lets go. */
export interface ActionResult {
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
  subscribe(listener: (evaluation: Evaluation<V>) => void): () => void;
  /** Puts a raw value in. */
  set(raw: string): void;
  /**
   * As an action (`use:mobile.control`) on an `<input>`, `<textarea>` or `<select>`, or on an element around buttons and boxes. The text
   * is the field's: no `bind:value` beside it.
   */
  readonly control: (element: HTMLElement) => ActionResult;
  /** As an action on what is around it: states as attributes to style, `data-wrong`, and its look; `hidden` while it does not count. */
  readonly states: (element: HTMLElement) => ActionResult;
  /** What the control says of itself: `<input {...mobile.attributes}>`. */
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
    attributes: { ...attributesOf(definition), name: definition.id },
  };
}

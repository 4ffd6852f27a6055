import {
  type BindOptions,
  type Box,
  bindControl,
  boxesOf,
  type ControlShape,
  createStore,
  evaluateOn,
  type FieldParts,
  type FieldStore,
  partsOf,
  rootAttributesOf,
  shapeOf,
} from '@arbeit/dom';
import {
  type Evaluation,
  type HydratedField,
  type Plan,
  pickedValues,
  type TextState,
} from '@arbeit/engine/field';
import {
  computed,
  getCurrentInstance,
  onScopeDispose,
  type Ref,
  shallowRef,
  useId,
  type WritableComputedRef,
} from 'vue';
import { whenOnPage } from './when-on-page.ts';

/**
 * A field in a Vue component. Its props are for `v-bind`; ids connect label, hint and message to the control.
 */
export interface Field<V extends string = string>
  extends Pick<FieldParts, 'labelProps' | 'hintProps' | 'messageProps'> {
  readonly store: FieldStore<V>;
  /** The evaluation of its current state. */
  readonly evaluation: Readonly<Ref<Evaluation<V>>>;
  /** The raw value, to read and write: `v-model` on a component of your own. */
  readonly raw: WritableComputedRef<string>;
  /** The typed value; `null` until complete and well-formed. */
  readonly value: Readonly<Ref<V | null>>;
  /** How its control is drawn. */
  readonly shape: ControlShape;
  /** Guide text after the display, to be drawn behind the input; empty if the field has none. */
  readonly guideText: Readonly<Ref<string>>;
  /** Facts about the value, by name: `weekday`, `week`, `region`. */
  readonly facts: Readonly<Ref<Readonly<Record<string, string>>>>;
  /**
   * Of the element around it: states as attributes to style by (`data-wrong`), its appearance, and `hidden`
   * while it does not count.
   */
  readonly rootProps: Readonly<Ref<Readonly<Record<string, unknown>>>>;
  /**
   * Of an `<input>`, `<textarea>` or `<select>`, or of the element around radio buttons or checkboxes. The
   * field owns the text: do not add `v-model`.
   */
  readonly inputProps: Readonly<Record<string, unknown>>;
  /** The boxes of a code in their groups, to be drawn under its input; none for other fields. */
  boxes(isConcealed: boolean): readonly (readonly Box[])[];
  /** Whether an option is picked: `checked` of its button, `selected` in a list. */
  isPicked(value: string): boolean;
}

/** Options of a field. */
export interface FieldOptions<V extends string = string> extends Pick<BindOptions, 'submits'> {
  /** A store made elsewhere, for example a form's. */
  readonly store?: FieldStore<V> | undefined;
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
}

/**
 * A field of one definition, for a component's setup.
 *
 * @example
 * const { inputProps, evaluation } = useField(pass);
 */
export function useField<V extends string = string>(
  field: HydratedField<Plan, TextState, V>,
  { store: given, submits = 'raw', today }: FieldOptions<V> = {},
): Field<V> {
  const store = given ?? createStore(field, evaluateOn(today));
  const evaluation = shallowRef(store.evaluation());
  onScopeDispose(
    store.subscribe(() => {
      evaluation.value = store.evaluation();
    }),
  );
  const shape = shapeOf(field);
  const ref = whenOnPage((element) =>
    element instanceof HTMLElement ? bindControl(element, store, { submits }) : undefined,
  );
  const { inputProps, ...parts } = partsOf(field, getCurrentInstance() ? useId() : field.id);
  /** A value that is computed from the state anew after each evaluation. */
  const ofState = <T>(from: (body: TextState) => T): Readonly<Ref<T>> =>
    computed(() => {
      evaluation.value;
      return from(store.state().body);
    });
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
    shape,
    guideText: ofState((body) => field.kind.guideText?.(field.plan, body) ?? ''),
    facts: ofState((body) => field.kind.facts?.(field.plan, body) ?? {}),
    rootProps: computed(() => rootAttributesOf(field, evaluation.value)),
    inputProps: { ...inputProps, ref },
    ...parts,
    boxes(isConcealed) {
      evaluation.value;
      return boxesOf(store, isConcealed);
    },
    isPicked: (value) => pickedValues(field, evaluation.value.raw).includes(value),
  };
}

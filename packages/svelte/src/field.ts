import {
  type Attributes,
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
import { type Attachment, createAttachmentKey } from 'svelte/attachments';
import { createSubscriber } from 'svelte/reactivity';

/**
 * A field in a Svelte component. Its members are reactive, and its props are for spreading; ids connect
 * label, hint and message to the control. It is also a store: `$mobile` is its evaluation, and setting it
 * sets the raw value.
 */
export interface Field<V extends string = string>
  extends Pick<FieldParts, 'labelProps' | 'hintProps' | 'messageProps'> {
  readonly store: FieldStore<V>;
  /** The evaluation of its current state. */
  readonly evaluation: Evaluation<V>;
  /** The raw value, to read and write: `bind:value` on a component of your own. */
  raw: string;
  /** The typed value; `null` until complete and well-formed. */
  readonly value: V | null;
  /** How its control is drawn. */
  readonly shape: ControlShape;
  /** Guide text after the display, to be drawn behind the input; empty if the field has none. */
  readonly guideText: string;
  /** Facts about the value, by name: `weekday`, `week`, `region`. */
  readonly facts: Readonly<Record<string, string>>;
  /**
   * Of the element around it: states as attributes to style by (`data-wrong`), its appearance, and `hidden`
   * while it does not count.
   */
  readonly rootProps: Readonly<Record<string, string | boolean | undefined>>;
  /**
   * Of an `<input>`, `<textarea>` or `<select>`, or of the element around radio buttons or checkboxes: its
   * attributes, and the attachment that binds it. The field owns the text: do not add `bind:value`.
   */
  readonly inputProps: Attributes & { readonly [key: symbol]: Attachment<HTMLElement> };
  /** The boxes of a code in their groups, to be drawn under its input; none for other fields. */
  boxes(isConcealed: boolean): readonly (readonly Box[])[];
  /** Whether an option is picked: `checked` of its button, `selected` in a list. */
  isPicked(value: string): boolean;
  /** Calls `listener` now and after each change. Returns a function that unsubscribes. */
  subscribe(listener: (evaluation: Evaluation<V>) => void): () => void;
  /** Sets the raw value. */
  set(raw: string): void;
}

/** Options of a field. */
export interface FieldOptions<V extends string = string> extends Pick<BindOptions, 'submits'> {
  /** A store made elsewhere, for example a form's. */
  readonly store?: FieldStore<V> | undefined;
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
  /** What ids begin with, if the field is on a page twice: `$props.id()`. Default: the id of the field. */
  readonly id?: string | undefined;
}

/** The attributes of the element around a field, with its style as Svelte spreads it: a text. */
function spread(attributes: Readonly<Record<string, unknown>>): Field['rootProps'] {
  const { style, ...others } = attributes as Record<string, string | boolean | undefined> & {
    readonly style?: Readonly<Record<string, string>>;
  };
  const written = Object.entries(style ?? {}).map(([name, value]) => `${name}: ${value}`);
  return { ...others, style: written.length ? written.join('; ') : undefined };
}

/**
 * A field of one definition, for a component.
 *
 * @example
 * const live = field(pass);
 */
export function field<V extends string = string>(
  definition: HydratedField<Plan, TextState, V>,
  { store: given, submits = 'raw', today, id = definition.id }: FieldOptions<V> = {},
): Field<V> {
  const store = given ?? createStore(definition, evaluateOn(today));
  const { kind, plan } = definition;
  const { inputProps, ...parts } = partsOf(definition, id);
  const track = createSubscriber((update) => store.subscribe(update));
  const set = (text: string): void => {
    store.dispatch({ type: 'set', text });
  };
  /** The evaluation. What reads it is updated when it changes. */
  const evaluation = (): Evaluation<V> => {
    track();
    return store.evaluation();
  };
  return {
    store,
    get evaluation() {
      return evaluation();
    },
    get raw() {
      return evaluation().raw;
    },
    set raw(text) {
      set(text);
    },
    get value() {
      return evaluation().value;
    },
    get guideText() {
      track();
      return kind.guideText?.(plan, store.state().body) ?? '';
    },
    get facts() {
      track();
      return kind.facts?.(plan, store.state().body) ?? {};
    },
    get rootProps() {
      return spread(rootAttributesOf(definition, evaluation()));
    },
    shape: shapeOf(definition),
    inputProps: {
      ...inputProps,
      [createAttachmentKey()]: (element: HTMLElement) => bindControl(element, store, { submits }),
    },
    ...parts,
    boxes(isConcealed) {
      track();
      return boxesOf(store, isConcealed);
    },
    isPicked: (value) => pickedValues(definition, evaluation().raw).includes(value),
    subscribe(listener) {
      listener(store.evaluation());
      return store.subscribe(() => listener(store.evaluation()));
    },
    set,
  };
}

import {
  type Box,
  boxesOf,
  type ControlShape,
  type FieldStore,
  isConcealed,
  type States,
  shapeOf,
  statesOf,
  type TakenText,
  takeText,
} from '@arbeit/dom/stores';
import {
  type Evaluation,
  type FieldState,
  type HydratedField,
  joinValues,
  type Plan,
  pickedValues,
  type TextState,
} from '@arbeit/engine/field';
import { type FieldStoreOptions, useFieldStore } from '@arbeit/react/stores';
import { type RefCallback, useCallback, useId, useReducer, useRef, useSyncExternalStore } from 'react';
import { endFocus, focusField, keepControl, type NativeControl, noteFocus } from './controls.ts';
import { type KeyboardProps, keyboardOf } from './text-input.ts';

/** A selection of `TextInput`, in UTF-16 units. */
export interface NativeSelection {
  readonly start: number;
  readonly end: number;
}

/** The props of a `TextInput`. It is controlled: text and selection are those of the field. */
export interface NativeInputProps extends KeyboardProps {
  readonly ref: RefCallback<NativeControl>;
  readonly nativeID: string;
  readonly value: string;
  /** The selection while the field has the focus; set again after each edit. */
  readonly selection: NativeSelection | undefined;
  readonly secureTextEntry: boolean;
  readonly accessibilityHint: string | undefined;
  readonly 'aria-label': string;
  readonly 'aria-labelledby': string;
  readonly 'aria-describedby': string;
  readonly 'aria-invalid': boolean;
  /** Takes over an edit that the control has made. */
  onChangeText(text: string): void;
  /** Takes over a notice about the caret, unless it is about an edit. */
  onSelectionChange(event: { readonly nativeEvent: { readonly selection: NativeSelection } }): void;
  /** Gives the focus to the field. */
  onFocus(): void;
  /** Leaves the field: its messages are shown. */
  onBlur(): void;
}

/** The props of a `Pressable` for one option of a field whose value is picked. */
export interface NativePickProps {
  readonly ref: RefCallback<NativeControl> | undefined;
  readonly role: 'radio' | 'checkbox';
  readonly 'aria-checked': boolean;
  readonly disabled: boolean;
  /** Picks the option; one of several checkboxes is picked or cleared. */
  onPress(): void;
}

/** A field with the props for a screen of React Native. */
export interface NativeField<V extends string = string> {
  readonly store: FieldStore<V>;
  readonly state: FieldState;
  readonly evaluation: Evaluation<V>;
  /** The raw value. Set it with an event: `store.dispatch({ type: 'set', text })`. */
  readonly raw: string;
  /** The typed value; `null` until complete and well-formed. */
  readonly value: V | null;
  /** How its control is drawn. A platform without lists draws `select` as `radio`. */
  readonly shape: ControlShape;
  /** What belongs beside its control: `calendar`, `region-list`. */
  readonly adornments: readonly string[];
  /** Facts about the value, by name: `weekday`, `week`, `region`. */
  readonly facts: Readonly<Record<string, string>>;
  /** Guide text that follows the display, to be drawn behind the input; empty if there is none. */
  readonly guideText: string;
  /** What to style by: whether an error is shown, whether the field has the focus. */
  readonly states: States;
  /** Spread on the `TextInput`. */
  readonly inputProps: NativeInputProps;
  /** Spread on the view around the options of a field whose value is picked. */
  readonly groupProps: {
    readonly role: 'radiogroup' | 'group';
    readonly 'aria-label': string;
    readonly 'aria-labelledby': string;
    readonly 'aria-describedby': string;
  };
  readonly labelProps: { readonly nativeID: string };
  readonly hintProps: { readonly nativeID: string };
  /** Spread on the view for the message, which must always be there. */
  readonly messageProps: { readonly nativeID: string; readonly 'aria-live': 'polite' };
  /** The boxes of a code in their groups, to be drawn over its input; none for other fields. */
  boxes(isConcealed: boolean): readonly (readonly Box[])[];
  /** Puts the focus into a box of a code, at most the first empty one. A filled one is selected. */
  pressBox(index: number): void;
  /** Whether an option is picked. */
  isPicked(value: string): boolean;
  /** Spread on the `Pressable` of an option. */
  pickProps(value: string): NativePickProps;
}

/**
 * The edits of a `TextInput`. It reports them after they were made, and the caret before or after the text,
 * in the text as it was then.
 */
function useEdits(
  store: FieldStore,
): Pick<NativeInputProps, 'onChangeText' | 'onSelectionChange' | 'onFocus' | 'onBlur'> {
  // Text and selection are set again after each notice, even if the field has not changed.
  const [, drawAgain] = useReducer((count: number) => count + 1, 0);
  /** Where the control itself has put its caret by the last edit; its notice about that may still come. */
  const expected = useRef<number | null>(null);
  /** The last notice about the caret since the last text. */
  const noticed = useRef<TakenText['noticed']>(undefined);
  return {
    onChangeText(text) {
      expected.current = takeText(store, { text, noticed: noticed.current });
      noticed.current = undefined;
      drawAgain();
    },
    onSelectionChange({ nativeEvent: { selection } }) {
      const { start, end } = selection;
      const isOfEdit = start === end && start === expected.current;
      expected.current = null;
      const now = store.state();
      if (!isOfEdit && (start !== now.start || end !== now.end)) {
        noticed.current = { start: now.start, end: now.end, caret: start };
        store.dispatch({ type: 'select', start, end });
      }
      drawAgain();
    },
    onFocus() {
      noteFocus(store);
      expected.current = null;
      noticed.current = undefined;
      if (!store.state().focused) store.dispatch({ type: 'focus' });
    },
    onBlur() {
      if (store.state().focused) store.dispatch({ type: 'leave' });
    },
  };
}

/** Picks an option as pressing it means: one of several, or one more. */
function pick(store: FieldStore, value: string, isOne: boolean): void {
  const { field } = store;
  const picked = pickedValues(field, store.evaluation().raw);
  const rest = picked.filter((one) => one !== value);
  const text = isOne ? value : joinValues(field, rest.length < picked.length ? rest : [...picked, value]);
  endFocus();
  store.dispatch({ type: 'focus' });
  store.dispatch({ type: 'set', text });
  store.dispatch({ type: 'leave' });
}

/** What names and describes the control of a field to assistive technology. */
function namesOf(field: HydratedField, { shown }: Evaluation, id: string) {
  const said = [field.hint, ...shown.map(({ message }) => message)].filter(Boolean).join(' ');
  const named = {
    'aria-label': field.label,
    'aria-labelledby': `${id}-label`,
    'aria-describedby': field.hint ? `${id}-hint ${id}-message` : `${id}-message`,
  };
  return { named, said: said || undefined };
}

/** The parts of a field that only show something. */
const partsOf = (id: string) =>
  ({
    labelProps: { nativeID: `${id}-label` },
    hintProps: { nativeID: `${id}-hint` },
    messageProps: { nativeID: `${id}-message`, 'aria-live': 'polite' },
  }) as const;

/** Puts the focus into a box of a code. */
function pressBox(store: FieldStore, index: number): void {
  const { length } = store.state().body.content;
  const at = Math.min(index, length);
  focusField(store);
  if (!store.state().focused) store.dispatch({ type: 'focus' });
  store.dispatch({ type: 'select', start: at, end: Math.min(at + 1, length) });
}

/**
 * A field of one compiled definition on a screen of React Native. A new definition makes a new field.
 *
 * @example
 * function Pass() {
 *   const { labelProps, inputProps } = useNativeField(pass);
 *   return [labelProps.nativeID, inputProps];
 * }
 */
export function useNativeField<V extends string = string>(
  field: HydratedField<Plan, TextState, V>,
  options: FieldStoreOptions<V> = {},
): NativeField<V> {
  const store = useFieldStore(field, options);
  // Another field of its form may change its messages without an event of its own.
  const evaluation = useSyncExternalStore(store.subscribe, store.evaluation, store.evaluation);
  const edits = useEdits(store);
  const ref = useCallback<RefCallback<NativeControl>>(
    (control) => (control ? keepControl(store, control) : undefined),
    [store],
  );
  const id = useId();
  const state = store.state();
  const { body, start, end, focused } = state;
  const shape = shapeOf(field);
  const states = statesOf(evaluation);
  const isOne = shape.control !== 'checkbox';
  const { named, said } = namesOf(field, evaluation, id);
  const isPicked = (value: string): boolean => pickedValues(field, evaluation.raw).includes(value);
  return {
    store,
    state,
    evaluation,
    raw: evaluation.raw,
    value: evaluation.value,
    shape,
    adornments: field.kind.adornments?.(field.plan) ?? [],
    facts: field.kind.facts?.(field.plan, body) ?? {},
    guideText: field.kind.guideText?.(field.plan, body) ?? '',
    states,
    inputProps: {
      ...keyboardOf(field, shape.rows),
      ...edits,
      ...named,
      ref,
      nativeID: `${id}-input`,
      value: body.display,
      selection: focused ? { start, end } : undefined,
      secureTextEntry: isConcealed(field),
      accessibilityHint: said,
      'aria-invalid': states.wrong,
    },
    groupProps: { role: isOne ? 'radiogroup' : 'group', ...named },
    ...partsOf(id),
    boxes: (conceals) => boxesOf(store, conceals),
    pressBox: (index) => pressBox(store, index),
    isPicked,
    pickProps: (value) => ({
      ref: value === shape.options[0]?.value ? ref : undefined,
      role: isOne ? 'radio' : 'checkbox',
      'aria-checked': isPicked(value),
      disabled: field.html.disabled === true || field.html.readonly === true,
      onPress: () => pick(store, value, isOne),
    }),
  };
}

'use client';

import type { TextControl } from '@arbeit/dom';
import {
  type BindOptions,
  bind,
  type ControlShape,
  type FieldStore,
  isConcealed,
  rootAttributesOf,
  shapeOf,
} from '@arbeit/dom';
import {
  type Evaluation,
  type FieldState,
  fieldName,
  type HydratedField,
  type Plan,
  type TextState,
} from '@arbeit/engine/field';
import { type RefCallback, useCallback, useId, useMemo, useState, useSyncExternalStore } from 'react';
import { attributesOf } from './attributes.ts';
import { type FieldStoreOptions, useFieldStore } from './use-field-store.ts';

/** A field with the props for its page. Ids connect label, hint and message to the input. */
export interface Field<V extends string = string> {
  readonly store: FieldStore<V>;
  readonly state: FieldState;
  readonly evaluation: Evaluation<V>;
  /** The raw value. Set it with an event: `store.dispatch({ type: 'set', text })`. */
  readonly raw: string;
  /** The typed value; `null` until complete and well-formed. */
  readonly value: V | null;
  /** How its control is drawn. */
  readonly shape: ControlShape;
  /** Facts about the value, by name: `weekday`, `week`, `region`. */
  readonly facts: Readonly<Record<string, string>>;
  /** Guide text that follows the display, to be drawn behind the input; empty if there is none. */
  readonly guideText: string;
  /**
   * Spread on the `<input>`, or on a `<textarea>` if the field has several lines. It is uncontrolled: the
   * binding writes to it, React does not.
   */
  readonly inputProps: Record<string, unknown> & { ref: RefCallback<TextControl> };
  /** Spread on the element around label, control and message: states to style by, and its appearance. */
  readonly rootProps: Readonly<Record<string, unknown>>;
  readonly labelProps: { readonly id: string; readonly htmlFor: string };
  readonly hintProps: { readonly id: string };
  /** Spread on the element for the message, which must always be there. */
  readonly messageProps: { readonly id: string; readonly 'aria-live': 'polite' };
}

/** Options of a field. */
export interface FieldOptions<V extends string = string> extends BindOptions, FieldStoreOptions<V> {}

/**
 * A field of one compiled definition. A new definition makes a new field.
 *
 * @example
 * function Pass() {
 *   const { labelProps, inputProps } = useField(pass);
 *   return [labelProps.id, inputProps];
 * }
 */
export function useField<V extends string = string>(
  field: HydratedField<Plan, TextState, V>,
  { submits = 'raw', ...options }: FieldOptions<V> = {},
): Field<V> {
  const present = useFieldStore(field, options);
  // Another field of its form may change its messages without an event of its own.
  const evaluation = useSyncExternalStore(present.subscribe, present.evaluation, present.evaluation);
  const state = present.state();
  const ref = useCallback<RefCallback<TextControl>>(
    (input) => (input ? bind(input, present, { submits }) : undefined),
    [present, submits],
  );
  const id = useId();
  const ids = useMemo(
    () => ({ label: `${id}-label`, input: `${id}-input`, hint: `${id}-hint`, message: `${id}-message` }),
    [id],
  );
  const [initial] = useState(state.body.display);
  return {
    store: present,
    state,
    evaluation,
    raw: evaluation.raw,
    value: evaluation.value,
    shape: shapeOf(field),
    facts: field.kind.facts?.(field.plan, state.body) ?? none,
    guideText: field.kind.guideText?.(field.plan, state.body) ?? '',
    inputProps: {
      ...attributesOf(field),
      id: ids.input,
      name: fieldName(field),
      // An attribute could be read by anybody, so a secret is never written to one; the binding displays it.
      defaultValue: isConcealed(field) ? '' : initial,
      'aria-describedby': field.hint ? `${ids.hint} ${ids.message}` : ids.message,
      ref,
    },
    rootProps: rootAttributesOf(field, evaluation),
    labelProps: { id: ids.label, htmlFor: ids.input },
    hintProps: { id: ids.hint },
    messageProps: { id: ids.message, 'aria-live': 'polite' },
  };
}

const none: Readonly<Record<string, string>> = {};

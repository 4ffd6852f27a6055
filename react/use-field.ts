'use client';

import '../engine/run/kinds.ts';

import { type RefCallback, useCallback, useId, useMemo, useState, useSyncExternalStore } from 'react';
import { type BindOptions, bind } from '../dom/bind.ts';
import { createStore, type FieldStore } from '../dom/store.ts';
import { type Reading, read } from '../engine/rules/reading.ts';
import { ghostOf, type PatternBody } from '../engine/run/layout.ts';
import type { CompiledField } from '../engine/run/plan.ts';
import type { FieldState } from '../engine/run/state.ts';
import { attributesOf } from './attributes.ts';

/** A field and what goes on the page for it. The ids tie label, hint and message to the input. */
export interface Field {
  readonly store: FieldStore;
  readonly state: FieldState;
  readonly reading: Reading;
  /** Guide text still to come, to be drawn behind the input after what it displays; empty when there is none. */
  readonly ghost: string;
  /** Spread on the `<input>`. It is uncontrolled: the binding writes to it, React does not. */
  readonly inputProps: Record<string, unknown> & { ref: RefCallback<HTMLInputElement> };
  readonly labelProps: { readonly htmlFor: string };
  readonly hintProps: { readonly id: string };
  /** Spread on the element that shows the message; it must be there always, empty or not. */
  readonly messageProps: { readonly id: string; readonly 'aria-live': 'polite' };
}

/**
 * A field of one compiled definition. A new definition makes a new field. `given` takes a store made elsewhere,
 * where something else than this component is to own the state.
 */
export function useField(
  field: CompiledField,
  options: BindOptions & { readonly store?: FieldStore } = {},
): Field {
  const { store: given, submits = 'raw' } = options;
  const [own, setOwn] = useState(() => (given ? null : createStore(field, read)));
  let store = given ?? own;
  if (!store || (!given && store.field !== field)) {
    store = createStore(field, read);
    setOwn(store);
  }
  const present = store;
  const state = useSyncExternalStore(present.subscribe, present.state, present.state);
  const ref = useCallback<RefCallback<HTMLInputElement>>(
    (input) => (input ? bind(input, present, { submits }) : undefined),
    [present, submits],
  );
  const id = useId();
  const ids = useMemo(() => ({ input: `${id}-input`, hint: `${id}-hint`, message: `${id}-message` }), [id]);
  const [initial] = useState(state.body.display);
  return {
    store: present,
    state,
    reading: present.reading(),
    ghost: ghostFor(field, state),
    inputProps: {
      ...attributesOf(field),
      id: ids.input,
      name: field.id,
      defaultValue: initial,
      'aria-describedby': field.hint ? `${ids.hint} ${ids.message}` : ids.message,
      ref,
    },
    labelProps: { htmlFor: ids.input },
    hintProps: { id: ids.hint },
    messageProps: { id: ids.message, 'aria-live': 'polite' },
  };
}

const ghostFor = ({ plan }: CompiledField, { body }: FieldState): string =>
  plan.kind === 'pattern' ? ghostOf(plan, body as PatternBody) : '';

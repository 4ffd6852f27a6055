'use client';

import { createStore, evaluateOn, type FieldStore } from '@arbeit/dom/stores';
import type { HydratedField, Plan, TextState } from '@arbeit/engine/field';
import { useState } from 'react';

/** Where the store of a field comes from. */
export interface FieldStoreOptions<V extends string = string> {
  /** A store made elsewhere, for example a form's. */
  readonly store?: FieldStore<V> | undefined;
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
}

/**
 * The given store, or one of the component's own for the definition. A new definition makes a new store.
 *
 * @example
 * const useRaw = () => useFieldStore(pass).evaluation().raw;
 */
export function useFieldStore<V extends string = string>(
  field: HydratedField<Plan, TextState, V>,
  { store: given, today }: FieldStoreOptions<V> = {},
): FieldStore<V> {
  const make = () => createStore(field, evaluateOn(today));
  const [own, setOwn] = useState(() => (given ? null : make()));
  let store = given ?? own;
  if (!store || (!given && store.field !== field)) {
    store = make();
    setOwn(store);
  }
  return store;
}

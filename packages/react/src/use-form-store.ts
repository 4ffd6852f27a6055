'use client';

import { createFormStore, type FormStore, refill, type ServerAnswer } from '@arbeit/dom/stores';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { useEffect, useState, useSyncExternalStore } from 'react';

/** Options of a form's store. */
export interface FormStoreOptions<V extends Values = Values> {
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
  /**
   * Copies the values of a form to the one that replaces it: `carryOver` of `@arbeit/dom`. Without it the new
   * form is empty.
   */
  readonly carry?: ((from: FormStore<V>, to: FormStore<V>) => void) | undefined;
  /**
   * What the server answered to the last record: its findings are shown at the fields. With React's actions
   * (`useActionState`) it is the state of the action. A form that is drawn for the first time is filled in
   * with what was sent. `null` before an answer, and for a record that was accepted.
   */
  readonly answer?: ServerAnswer | null | undefined;
  /**
   * Asks the questions of the fields while the form is drawn; returns a function that stops: `driveFormAsks`
   * of `@arbeit/dom`. It is a parameter, so that a form without questions does not carry it. Must be the same
   * function on every render.
   */
  readonly drive?: ((store: FormStore<V>) => () => void) | undefined;
}

/** A form's store, with what a component draws of it. */
export interface FormInUse<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Whether every field that counts passes all its rules of severity `error`. */
  readonly isReady: boolean;
  /** The state of sending. */
  readonly sending: Sending;
}

/**
 * The store of a form in a component. A new form makes a new store.
 *
 * @example
 * const useIsReady = () => useFormStore(booking).isReady;
 */
export function useFormStore<V extends Values = Values>(
  form: HydratedForm<V>,
  { today, drive, carry, answer = null }: FormStoreOptions<V> = {},
): FormInUse<V> {
  const make = () => {
    const made = createFormStore(form, today);
    if (answer) refill(made, answer);
    return made;
  };
  const [own, setOwn] = useState(make);
  let store = own;
  if (store.form !== form) {
    store = make();
    carry?.(own, store);
    setOwn(store);
  }
  const present = store;
  const isReady = useSyncExternalStore(present.subscribe, present.isReady, present.isReady);
  const sendingNow = () => present.state().sending;
  const sending = useSyncExternalStore(present.subscribe, sendingNow, sendingNow);
  useEffect(() => drive?.(present), [drive, present]);
  const [first] = useState(answer);
  useEffect(() => {
    if (answer && answer !== first) present.dispatch({ type: 'sent', findings: answer.findings });
  }, [answer, first, present]);
  return { store: present, isReady, sending };
}

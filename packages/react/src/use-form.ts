'use client';

import {
  bindForm,
  createFormStore,
  type FormStore,
  refill,
  type SendRecord,
  type ServerAnswer,
} from '@arbeit/dom';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { type RefCallback, useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';

/** A form with the props for its page. */
export interface Form<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Whether every field that counts passes all its rules of severity `error`. */
  readonly isReady: boolean;
  /** How sending stands. */
  readonly sending: Sending;
  /** Spread on the `<form>`. Messages have elements of their own, so the browser shows no bubbles. */
  readonly formProps: { readonly noValidate: true; readonly ref: RefCallback<HTMLFormElement> };
}

/** Options of a form. */
export interface FormOptions<V extends Values = Values> {
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
  /**
   * Copies the values of a form to the one that replaces it: `carryOver` of `@arbeit/dom`. Without it the new
   * form is empty.
   */
  readonly carry?: ((from: FormStore<V>, to: FormStore<V>) => void) | undefined;
  /**
   * Sends the record in place of the browser and resolves to the server's findings, which are shown at their
   * fields. Without it the browser submits the form once it is ready, or its `action` or `onSubmit` is
   * called.
   */
  readonly send?: SendRecord<V> | undefined;
  /**
   * What the server answered to the last record: its findings are shown at the fields. With React's actions
   * (`useActionState`) it is the state of the action. A form that is drawn on the server after a submit
   * without scripts is filled in with what was sent. `null` before an answer, and for a record that was
   * accepted.
   */
  readonly answer?: ServerAnswer | null | undefined;
  /**
   * Asks the questions of the fields while the form is on the page; returns a function that stops:
   * `driveFormAsks` of `@arbeit/dom`. It is a parameter, so that a form without questions does not carry it.
   * Must be the same function on every render.
   */
  readonly drive?: ((store: FormStore<V>) => () => void) | undefined;
}

/**
 * A form. Its fields are drawn with `useField(field, { store: form.store.field(field.id) })`. A new form
 * makes a new store.
 *
 * @example
 * function Booking() {
 *   const { store, isReady } = useForm(booking);
 *   return [store.form.id, isReady];
 * }
 */
export function useForm<V extends Values = Values>(
  form: HydratedForm<V>,
  { today, drive, send, carry, answer = null }: FormOptions<V> = {},
): Form<V> {
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
  // The function of the latest render submits: it may use values that have changed since the form was bound.
  const sendNow = useRef(send);
  useEffect(() => {
    sendNow.current = send;
  });
  const ref = useCallback<RefCallback<HTMLFormElement>>(
    (element) =>
      element
        ? bindForm(element, present, {
            get send() {
              return sendNow.current;
            },
          })
        : undefined,
    [present],
  );
  return { store: present, isReady, sending, formProps: { noValidate: true, ref } };
}

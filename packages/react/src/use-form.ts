'use client';

import { bindForm, createFormStore, type FormStore, type SendRecord } from '@arbeit/dom';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { type RefCallback, useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';

/** A form and what goes on the page for it. */
export interface Form<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Whether each of its fields that counts passes every rule that is an error. */
  readonly isReady: boolean;
  /** How its sending stands. */
  readonly sending: Sending;
  /** Spread on the `<form>`. The messages have their own places, so the browser is not to show its bubbles. */
  readonly formProps: { readonly noValidate: true; readonly ref: RefCallback<HTMLFormElement> };
}

/** What a form is to know beside itself. */
export interface FormOptions<V extends Values = Values> {
  /** ISO 8601; stands for the device's clock. */
  readonly today?: string | undefined;
  /** What brings the values of a form over into one that takes its place: `carryOver` of `@arbeit/dom`. Left out, the new one begins anew. */
  readonly carry?: ((from: FormStore<V>, to: FormStore<V>) => void) | undefined;
  /**
   * Sends the record in place of the browser, and resolves to what the server found wrong, which stands at its fields. Left out, the browser
   * submits the form once it is ready, or its `action` or `onSubmit` is called.
   */
  readonly send?: SendRecord<V> | undefined;
  /**
   * What puts the questions of its fields while the form is on the page, and the way to stop: `driveFormAsks` of `@arbeit/dom`. Handed in,
   * so that a form that asks nobody carries nothing of it; the same function from one render to the next.
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
  { today, drive, send, carry }: FormOptions<V> = {},
): Form<V> {
  const make = () => createFormStore(form, today);
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
  // The function of the latest render sends it: it may close over what has changed since the form was bound.
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

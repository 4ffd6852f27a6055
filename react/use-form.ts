'use client';

import { bindForm, createFormStore, type FormStore } from '@arbeit/dom';
import type { OpenForm, Sending, Values } from '@arbeit/engine/form';
import { type RefCallback, useCallback, useEffect, useState, useSyncExternalStore } from 'react';

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
   * What drives the form while it is on the page, and the way to stop: `driveFormAsks`, `driveSending` of `@arbeit/dom`, or both. Handed in,
   * so that a form that asks nobody carries nothing of it; the same function from one render to the next.
   */
  readonly drive?: ((store: FormStore<V>) => () => void) | undefined;
}

/**
 * A form of open fields; each is drawn with `useField(field, { store: form.store.field(field.id) })`. A new form makes a
 * new store.
 */
export function useForm<V extends Values = Values>(
  form: OpenForm<V>,
  { today, drive, carry }: FormOptions<V> = {},
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
  const ref = useCallback<RefCallback<HTMLFormElement>>(
    (element) => (element ? bindForm(element, present) : undefined),
    [present],
  );
  return { store: present, isReady, sending, formProps: { noValidate: true, ref } };
}

'use client';

import { bindForm, type SendRecord } from '@arbeit/dom';
import type { HydratedForm, Values } from '@arbeit/engine/form';
import { type RefCallback, useCallback, useEffect, useRef } from 'react';
import { type FormInUse, type FormStoreOptions, useFormStore } from './use-form-store.ts';

/** A form with the props for its page. */
export interface Form<V extends Values = Values> extends FormInUse<V> {
  /** Spread on the `<form>`. Messages have elements of their own, so the browser shows no bubbles. */
  readonly formProps: { readonly noValidate: true; readonly ref: RefCallback<HTMLFormElement> };
}

/** Options of a form. */
export interface FormOptions<V extends Values = Values> extends FormStoreOptions<V> {
  /**
   * Sends the record in place of the browser and resolves to the server's findings, which are shown at their
   * fields. Without it the browser submits the form once it is ready, or its `action` or `onSubmit` is
   * called.
   */
  readonly send?: SendRecord<V> | undefined;
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
  { send, ...options }: FormOptions<V> = {},
): Form<V> {
  const inUse = useFormStore(form, options);
  const present = inUse.store;
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
  return { ...inUse, formProps: { noValidate: true, ref } };
}

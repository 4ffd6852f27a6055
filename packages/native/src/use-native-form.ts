import { driveSending, type FormStore, type SendRecord } from '@arbeit/dom/stores';
import type { HydratedForm, Values } from '@arbeit/engine/form';
import { type FormInUse, type FormStoreOptions, useFormStore } from '@arbeit/react/stores';
import { useEffect, useRef } from 'react';
import { endFocus, focusField } from './controls.ts';

/** A form on a screen of React Native. */
export interface NativeForm<V extends Values = Values> extends FormInUse<V> {
  /**
   * Submits the form, for the button. A form that is not ready shows what is wrong and moves the focus to the
   * first invalid field; nothing is sent.
   */
  submit(): void;
}

/** Options of a form. */
export interface NativeFormOptions<V extends Values = Values> extends FormStoreOptions<V> {
  /**
   * Sends the record and resolves to the server's findings, which are shown at their fields. The function of
   * the latest render is called.
   */
  readonly send: SendRecord<V>;
}

/**
 * A form on a screen of React Native. Its fields are drawn with
 * `useNativeField(field, { store: form.store.field(field.id) })`. A new form makes a new store.
 *
 * @example
 * function Booking() {
 *   const { isReady, submit } = useNativeForm(booking, { send: async () => [] });
 *   return [isReady, submit];
 * }
 */
export function useNativeForm<V extends Values = Values>(
  form: HydratedForm<V>,
  { send, ...options }: NativeFormOptions<V>,
): NativeForm<V> {
  const inUse = useFormStore(form, options);
  const present = inUse.store;
  const sendNow = useRef(send);
  useEffect(() => {
    sendNow.current = send;
  });
  useEffect(() => {
    const letGo = [
      driveSending(present, (record) => sendNow.current(record as never)),
      focusOnWrong(present),
    ];
    return () => {
      for (const stop of letGo) stop();
    };
  }, [present]);
  return {
    ...inUse,
    submit() {
      present.dispatch({ type: 'submit' });
    },
  };
}

/** Moves the focus to the first invalid field when a submit was held back, and ends it when one is sent. */
function focusOnWrong(store: FormStore): () => void {
  let { sending } = store.state();
  return store.subscribe((state) => {
    if (state.sending === sending) return;
    sending = state.sending;
    if (sending.is === 'sending') endFocus();
    if (sending.is === 'no' && sending.wrong !== undefined) focusField(store.field(sending.wrong));
  });
}

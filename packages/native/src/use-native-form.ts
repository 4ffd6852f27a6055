import {
  createFormStore,
  driveSending,
  type FormStore,
  refill,
  type SendRecord,
  type ServerAnswer,
} from '@arbeit/dom/stores';
import type { HydratedForm, Sending, Values } from '@arbeit/engine/form';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { endFocus, focusField } from './controls.ts';

/** A form on a screen of React Native. */
export interface NativeForm<V extends Values = Values> {
  readonly store: FormStore<V>;
  /** Whether every field that counts passes all its rules of severity `error`. */
  readonly isReady: boolean;
  /** How sending stands. */
  readonly sending: Sending;
  /**
   * Submits the form, for the button. A form that is not ready shows what is wrong and moves the focus to the
   * first invalid field; nothing is sent.
   */
  submit(): void;
}

/** Options of a form. */
export interface NativeFormOptions<V extends Values = Values> {
  /**
   * Sends the record and resolves to the server's findings, which are shown at their fields. The function of
   * the latest render is called.
   */
  readonly send: SendRecord<V>;
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
  /**
   * Copies the values of a form to the one that replaces it: `carryOver`. Without it the new form is empty.
   */
  readonly carry?: ((from: FormStore<V>, to: FormStore<V>) => void) | undefined;
  /** What the form is filled in with when it is drawn first: raw values, and findings about them. */
  readonly answer?: ServerAnswer | null | undefined;
  /**
   * Asks the questions of the fields while the form is drawn; returns a function that stops:
   * `driveFormAsks`. It must be the same function on every render.
   */
  readonly drive?: ((store: FormStore<V>) => () => void) | undefined;
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
  { send, today, carry, drive, answer = null }: NativeFormOptions<V>,
): NativeForm<V> {
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
    store: present,
    isReady,
    sending,
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

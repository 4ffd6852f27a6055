'use client';

import { bindForm, createFormStore, type FormStore } from '@arbeit/dom';
import type { OpenForm } from '@arbeit/engine/form';
import { type RefCallback, useCallback, useState, useSyncExternalStore } from 'react';

/** A form and what goes on the page for it. */
export interface Form {
  readonly store: FormStore;
  /** Whether each of its fields passes every rule that is an error. */
  readonly isReady: boolean;
  /** Spread on the `<form>`. The messages have their own places, so the browser is not to show its bubbles. */
  readonly formProps: { readonly noValidate: true; readonly ref: RefCallback<HTMLFormElement> };
}

/**
 * A form of open fields; each is drawn with `useField(field, { store: form.store.field(field.id) })`. A new form makes a
 * new store. `today` (ISO 8601) stands for the device's clock.
 */
export function useForm(form: OpenForm, { today }: { readonly today?: string | undefined } = {}): Form {
  const make = () => createFormStore(form, today);
  const [own, setOwn] = useState(make);
  let store = own;
  if (store.form !== form) {
    store = make();
    setOwn(store);
  }
  const present = store;
  const isReady = useSyncExternalStore(present.subscribe, present.isReady, present.isReady);
  const ref = useCallback<RefCallback<HTMLFormElement>>(
    (element) => (element ? bindForm(element, present) : undefined),
    [present],
  );
  return { store: present, isReady, formProps: { noValidate: true, ref } };
}

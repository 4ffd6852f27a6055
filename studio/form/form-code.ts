'use client';

import type { FormStore } from '@arbeit/dom';
import type { OpenForm } from '@arbeit/engine/form';
import { useCallback } from 'react';
import { useOutcomes, withOwnCode } from '../own-code/use-own-code.ts';

/** The fields of a form at which own code is asked: by a rule of their own or by one of the form. */
const fieldsWithCode = ({ fields, rulesAt }: OpenForm): readonly string[] =>
  fields.flatMap(({ id, rules }) =>
    [...rules, ...(rulesAt.get(id) ?? [])].some(({ check }) => check.type === 'custom') ? [id] : [],
  );

/** The form with what runs its own code, where it has any. */
export function withCode(form: OpenForm): OpenForm {
  const own = fieldsWithCode(form);
  if (own.length === 0) return form;
  return { ...form, fields: form.fields.map((field) => withOwnCode(field, own.includes(field.id))) };
}

/** Looks at the fields with own code anew whenever some of it has come to something. */
export function useFormOutcomes(store: FormStore): void {
  const own = fieldsWithCode(store.form);
  const look = useCallback(() => {
    for (const id of fieldsWithCode(store.form)) store.field(id).dispatch({ type: 'look' });
  }, [store]);
  useOutcomes(own.length > 0, look);
}

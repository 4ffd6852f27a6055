'use client';

import type { FormStore } from '@arbeit/dom';
import type { HydratedField } from '@arbeit/engine/field';
import type { HydratedForm } from '@arbeit/engine/form';
import { useCallback, useEffect, useMemo } from 'react';
import { askAhead, tellCaret, useOutcomes, withCustomCode } from '../../field/custom-code/use-custom-code.ts';
import { hasCustomCode } from '../../model/has-custom-code.ts';

/** Whether a field involves custom code: its format, a rule of its own, or one of the form. */
const hasCode = ({ rulesAt }: HydratedForm, field: HydratedField): boolean =>
  hasCustomCode(field) || isAsked(rulesAt.get(field.id) ?? []);

const isAsked = (rules: HydratedField['rules']): boolean =>
  rules.some(({ check }) => check.type === 'custom');

/** The fields of a form that involve custom code. */
const fieldsWithCode = (form: HydratedForm): readonly string[] =>
  form.fields.flatMap((field) => (hasCode(form, field) ? [field.id] : []));

/** The form with the runner of its custom code, if it has any. */
export function withCode(form: HydratedForm): HydratedForm {
  if (fieldsWithCode(form).length === 0) return form;
  const { rulesAt } = form;
  return {
    ...form,
    fields: form.fields.map((field) => withCustomCode(field, isAsked(rulesAt.get(field.id) ?? []))),
  };
}

/** Evaluates the fields with custom code again whenever a call has returned. */
export function useFormOutcomes(store: FormStore): void {
  const own = useMemo(() => fieldsWithCode(store.form), [store]);
  const look = useCallback(() => {
    tellCaret();
    for (const id of own) store.field(id).dispatch({ type: 'invalidate' });
  }, [store, own]);
  useOutcomes(own.length > 0, look);
  useEffect(() => {
    const stops = own.map((id) => {
      const field = store.field(id);
      return field.subscribe((state) => askAhead(field.field, state));
    });
    return () => {
      for (const stop of stops) stop();
    };
  }, [store, own]);
}

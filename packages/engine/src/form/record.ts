import { fieldName } from '../field/field-name.ts';
import { evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm } from './form.ts';
import type { FormRecord } from './sending.ts';

/**
 * The record of a form: typed and raw values of the fields that count, by name (`fieldName`).
 *
 * @example
 * const { values, raw } = recordOf(booking, startForm(booking), '2027-02-10');
 */
export function recordOf(form: HydratedForm, state: FormState, today = ''): FormRecord {
  const values: Record<string, string | null> = {};
  const raw: Record<string, string> = {};
  const facts: Record<string, FormRecord['facts'][string]> = {};
  for (const definition of form.fields) {
    const { id } = definition;
    const name = fieldName(definition);
    const evaluation = evaluateInForm(form, state, id, today);
    if (!evaluation.counts) continue;
    values[name] = evaluation.value;
    raw[name] = evaluation.raw;
    const { field, state: own } = fieldOf(form, state, id);
    // The facts describe the submitted text, without the spaces that blur removes.
    const body = field.kind.normalizeOnBlur?.(field.plan, own.body) ?? own.body;
    const found = { ...field.kind.facts?.(field.plan, body), ...evaluation.facts };
    if (Object.keys(found).length) facts[name] = found;
  }
  return { values, raw, facts };
}

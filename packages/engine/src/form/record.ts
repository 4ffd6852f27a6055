import { type FormState, fieldOf, type OpenForm } from './form.ts';
import { readInForm } from './form-reading.ts';
import type { FormRecord } from './sending.ts';

/** The record of a form as it is. */
export function recordOf(form: OpenForm, state: FormState, today = ''): FormRecord {
  const values: Record<string, string | null> = {};
  const raw: Record<string, string> = {};
  const facts: Record<string, FormRecord['facts'][string]> = {};
  for (const { id } of form.fields) {
    const reading = readInForm(form, state, id, today);
    if (!reading.counts) continue;
    values[id] = reading.value;
    raw[id] = reading.raw;
    const { field, state: own } = fieldOf(form, state, id);
    const found = { ...field.kind.facts?.(field.plan, own.body), ...reading.facts };
    if (Object.keys(found).length) facts[id] = found;
  }
  return { values, raw, facts };
}

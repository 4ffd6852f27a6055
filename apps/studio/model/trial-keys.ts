import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import type { Trial } from '@arbeit/engine/tape';
import { targetOf } from './trial-edits.ts';

/**
 * All that the outcome of a trial depends on, as one text: while it is the same, so is the outcome. The trial
 * itself, the definition it is played on, of a form all of its fields, and what those need of the set.
 */
export function keyOf(set: SetDocument, trial: Trial, today: string): string {
  const target = targetOf(trial);
  const form = target?.type === 'form' ? set.forms?.find(({ id }) => id === target.id) : undefined;
  const ids = target?.type === 'field' ? [target.id] : form ? fieldIdsOf(form) : [];
  const fields = set.fields.filter(({ id }) => ids.includes(id));
  return JSON.stringify([trial.tape, fields, form, set.locale, set.classes, today]);
}

/** What a field or a form is called. */
export function nameOf(
  { fields, forms = [] }: SetDocument,
  { type, id }: { readonly type: 'field' | 'form'; readonly id: string },
): string {
  return type === 'field'
    ? fields.find((field) => field.id === id)?.label || id
    : (forms.find((form) => form.id === id)?.title ?? id);
}

import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import type { Trial } from '@arbeit/engine/tape';
import { targetOf } from './trial-edits.ts';

/**
 * Everything that the result of a trial depends on, as one text: the trial, the definition it is played on,
 * for a form all its fields, and the parts of the set that those use. If the text is the same, so is the
 * result.
 */
export function keyOf(set: SetDocument, trial: Trial, today: string): string {
  const target = targetOf(trial);
  const form = target?.type === 'form' ? set.forms?.find(({ id }) => id === target.id) : undefined;
  const ids = target?.type === 'field' ? [target.id] : form ? fieldIdsOf(form) : [];
  const fields = set.fields.filter(({ id }) => ids.includes(id));
  return JSON.stringify([trial.tape, fields, form, set.locale, set.classes, today]);
}

/** The label of a field or the title of a form. */
export function nameOf(
  { fields, forms = [] }: SetDocument,
  { type, id }: { readonly type: 'field' | 'form'; readonly id: string },
): string {
  return type === 'field'
    ? fields.find((field) => field.id === id)?.label || id
    : (forms.find((form) => form.id === id)?.title ?? id);
}

import { type FormDocument, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import type { JustDeleted } from './just-deleted.ts';
import { removeField } from './references.ts';

/**
 * The set with a deleted field restored in its place, in its forms and wherever it was referred to. Later
 * changes stay.
 */
export function putBack(set: SetDocument, { field, at, before }: JustDeleted): SetDocument {
  // Nothing else has changed since: the former document is restored.
  if (JSON.stringify(set) === JSON.stringify(removeField(before, field.id))) return before;
  const fields = set.fields.toSpliced(at, 0, field);
  const forms = before.forms?.map((form) => {
    const now = set.forms?.find(({ id }) => id === form.id);
    if (!fieldIdsOf(form).includes(field.id)) return now ?? form;
    return now ? withFieldAsIn(now, form, field.id) : form;
  });
  return { ...set, fields, ...(forms ? { forms } : {}) };
}

/** The form with a field where another form has it. */
function withFieldAsIn(form: FormDocument, before: FormDocument, id: string): FormDocument {
  const put = (now: readonly string[], was: readonly string[]): readonly string[] =>
    was.includes(id) && !now.includes(id) ? now.toSpliced(was.indexOf(id), 0, id) : now;
  if (form.fields && before.fields) return { ...form, fields: put(form.fields, before.fields) };
  const sections = form.sections?.map((section, i) => {
    const was = before.sections?.[i];
    return was ? { ...section, fields: put(section.fields, was.fields) } : section;
  });
  return sections ? { ...form, sections } : form;
}

import { type FieldDocument, fieldIdsOf, readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { withRecordName } from './field-edits.ts';

/** Fields that were read already: a key in the dialog reads only the one it changes. */
const known = new WeakMap<object, unknown>();

/**
 * Why a field cannot have a name in records, in a sentence. Of the set, only the forms of the field matter.
 */
export function problemWithName(set: SetDocument, field: FieldDocument, name: string): string | null {
  const forms = (set.forms ?? []).filter((form) => fieldIdsOf(form).includes(field.id));
  const ids = new Set([field.id, ...forms.flatMap(fieldIdsOf)]);
  const fields = set.fields
    .filter(({ id }) => ids.has(id))
    .map((one) => (one.id === field.id ? withRecordName(one, name) : one));
  const { trials: _, texts: __, ...rest } = set;
  const result = readDocument({ ...rest, fields, forms }, kinds, { known });
  const fault = result.ok ? undefined : result.faults.find(({ code }) => /name/.test(code));
  return fault?.message ?? null;
}

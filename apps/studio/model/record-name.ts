import { type FieldDocument, readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { withRecordName } from './field-edits.ts';

/** Why a field cannot have a name in records, in a sentence. */
export function problemWithName(set: SetDocument, field: FieldDocument, name: string): string | null {
  const fields = set.fields.map((one) => (one.id === field.id ? withRecordName(one, name) : one));
  const result = readDocument({ ...set, fields }, kinds);
  const fault = result.ok ? undefined : result.faults.find(({ code }) => /name/.test(code));
  return fault?.message ?? null;
}

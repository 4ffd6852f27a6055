import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import * as words from '../words/model/shared-value.ts';
import { addField } from './field-edits.ts';
import { idFrom } from './follow-label.ts';

/** Id of the field whose value a field has: its own, or that of another field. */
const leaderOf = ({ id, sameValueAs }: FieldDocument): string => sameValueAs ?? id;

/** The other fields of a set with the same value, in its order. */
export const sharersOf = (set: SetDocument, field: FieldDocument): readonly FieldDocument[] =>
  set.fields.filter((one) => one.id !== field.id && leaderOf(one) === leaderOf(field));

/**
 * The fields whose value a field can have: of its kind, with a value of their own. None if other fields have
 * the value of this one.
 */
export function leadersFor(set: SetDocument, field: FieldDocument): readonly FieldDocument[] {
  if (set.fields.some(({ sameValueAs }) => sameValueAs === field.id)) return [];
  return set.fields.filter(
    ({ id, kind, sameValueAs }) => id !== field.id && kind === field.kind && sameValueAs === undefined,
  );
}

/** The field with the value of another field; with its own value if `leader` is empty. */
export function withValueOf(field: FieldDocument, leader: string): FieldDocument {
  const { sameValueAs: _, ...rest } = field;
  return { ...rest, ...(leader === '' ? {} : { sameValueAs: leader }) } as FieldDocument;
}

/** The label of a field beside another one that shows its value in a way. */
export const labelBeside = ({ label, id }: FieldDocument, display: string): string =>
  words.secondLabel(label || id, display);

/**
 * Adds a field with the value of another, after it in the set; returns the document and its id. `other` is
 * another way to show the value, if the kind has one. Rules stay with the field that has them.
 */
export function addSharing(
  set: SetDocument,
  field: FieldDocument,
  other?: { readonly entry: object; readonly label: string },
): { readonly set: SetDocument; readonly id: string } {
  const { kind, locale, language, html, look } = field;
  const wanted = labelBeside(field, other?.label ?? words.again);
  const taken = new Set(set.fields.map(({ label: one }) => one));
  let label = wanted;
  for (let n = 2; taken.has(label); n++) label = words.numberedLabel(wanted, n);
  const made = {
    id: idFrom(label) || field.id,
    kind,
    label,
    ...(locale === undefined ? {} : { locale }),
    ...(language === undefined ? {} : { language }),
    entry: { ...field.entry, ...other?.entry },
    ...(html ? { html } : {}),
    ...(look ? { look } : {}),
    sameValueAs: leaderOf(field),
  } as unknown as FieldDocument;
  const added = addField(set, made);
  const last = added.set.fields.at(-1)!;
  const at = set.fields.findIndex(({ id }) => id === field.id);
  return { set: { ...set, fields: set.fields.toSpliced(at + 1, 0, last) }, id: added.id };
}

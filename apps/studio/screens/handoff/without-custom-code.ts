import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';

/** A formatter that displays what was typed unchanged. */
const plain = 'export function shape(content) { return content; }';

/**
 * The set without custom checks, and with custom formats that display what was typed: for pages without a
 * sandbox.
 */
export function withoutCustomCode(set: SetDocument, kinds: KindTable): SetDocument {
  const kept = <O extends { readonly rules?: readonly { readonly check: { readonly type: string } }[] }>(
    owner: O,
  ): O =>
    owner.rules ? { ...owner, rules: owner.rules.filter(({ check }) => check.type !== 'custom') } : owner;
  const shown = (field: FieldDocument): FieldDocument =>
    kindIn(kinds, field.kind).run.withFormat
      ? ({ ...field, entry: { ...field.entry, code: plain } } as FieldDocument)
      : field;
  const { forms, ...rest } = set;
  const all = { ...rest, fields: set.fields.map((field) => shown(kept(field))) };
  return forms ? { ...all, forms: forms.map(kept) } : all;
}

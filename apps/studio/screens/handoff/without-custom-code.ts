import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';

/** A shape that shows what was typed, and nothing else. */
const plain = 'export function shape(content) { return content; }';

/**
 * The set without rules of own code, and with shapes that show what was typed: for where no sandbox stands
 * around it.
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

import type { SetDocument } from '@arbeit/engine/document';

/** The set without rules of own code: for where no sandbox stands around it. */
export function withoutOwnCode(set: SetDocument): SetDocument {
  const kept = <O extends { readonly rules?: readonly { readonly check: { readonly type: string } }[] }>(
    owner: O,
  ): O =>
    owner.rules ? { ...owner, rules: owner.rules.filter(({ check }) => check.type !== 'custom') } : owner;
  const { forms, ...rest } = set;
  const all = { ...rest, fields: set.fields.map(kept) };
  return forms ? { ...all, forms: forms.map(kept) } : all;
}

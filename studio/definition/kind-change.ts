import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import type { Option } from '@arbeit/engine/options';
import { another } from '../desk/picks-editor.tsx';

/** What an option that has to be said begins with. */
function beginning(option: Option): unknown {
  switch (option.is) {
    case 'text':
      return option.suggestion ?? option.offers?.()[0]?.[0] ?? '';
    case 'picks': {
      const offers = [another([])];
      while (offers.length < Math.max(2, option.least)) offers.push(another(offers));
      return offers;
    }
    case 'choice':
      return option.choices[0]?.[0];
    case 'whole':
      return option.min;
    default:
      return undefined;
  }
}

/** A field of a kind with nothing said that need not be. */
export function bareField(kind: string, kinds: KindTable): FieldDocument {
  const { define } = kindIn(kinds, kind);
  const entry = Object.fromEntries(
    Object.entries(define.options).flatMap(([name, option]) =>
      option.needed ? [[name, beginning(option)]] : [],
    ),
  );
  const label = `${define.name.slice(0, 1).toUpperCase()}${define.name.slice(1)}`;
  return { id: kind, kind, label, entry } as unknown as FieldDocument;
}

/** A field turned into another kind, and what of it had to go, in words. */
export interface Turned {
  readonly field: FieldDocument;
  readonly lost: readonly string[];
}

/**
 * The field as one of another kind: its words stay, and of its rules, attributes and initial value all that the new kind can have.
 * Where both kinds have an option of one name and the value is good in both, it stays too.
 */
export function withKind(field: FieldDocument, kind: string, set: SetDocument, kinds: KindTable): Turned {
  const isGood = (candidate: FieldDocument): boolean =>
    readDocument({ ...set, fields: [candidate], forms: [] }, kinds).ok;
  const { entry } = bareField(kind, kinds);
  const { rules = [], initial, ...rest } = field;
  let turned = { ...rest, kind, entry } as unknown as FieldDocument;
  const lost: string[] = [];
  for (const [name, value] of Object.entries(field.entry)) {
    const kept = { ...turned, entry: { ...turned.entry, [name]: value } } as unknown as FieldDocument;
    if (isGood(kept)) turned = kept;
  }
  for (const rule of rules) {
    const kept = { ...turned, rules: [...(turned.rules ?? []), rule] } as FieldDocument;
    if (isGood(kept)) turned = kept;
    else lost.push(`the rule “${rule.id}”`);
  }
  if (initial !== undefined) {
    const kept = { ...turned, initial } as FieldDocument;
    if (isGood(kept)) turned = kept;
    else lost.push('the initial value');
  }
  return { field: turned, lost };
}

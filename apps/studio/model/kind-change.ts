import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import type { Option } from '@arbeit/engine/options';
import * as words from '../words/model/kind-change.ts';
import { newOffer } from './offers.ts';

/** The first value of a required option. */
function beginning(option: Option, locale: string): unknown {
  switch (option.is) {
    case 'text':
      return option.suggestedIn?.(locale) ?? option.suggestion ?? option.offers?.()[0]?.[0] ?? '';
    case 'picks': {
      const offers = [newOffer([])];
      while (offers.length < Math.max(2, option.least)) offers.push(newOffer(offers));
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

/** A field of a kind with defaults only: those of the format locale where it has some. */
export function bareField(kind: string, kinds: KindTable, locale = 'en-GB'): FieldDocument {
  const { define } = kindIn(kinds, kind);
  const entry = Object.fromEntries(
    Object.entries(define.options).flatMap(([name, option]) =>
      option.needed ? [[name, beginning(option, locale)]] : [],
    ),
  );
  const label = `${define.name.slice(0, 1).toUpperCase()}${define.name.slice(1)}`;
  return { id: kind, kind, label, entry } as unknown as FieldDocument;
}

/** A field that changed its kind, and what was dropped, in words. */
export interface Turned {
  readonly field: FieldDocument;
  readonly lost: readonly string[];
}

/**
 * Changes the kind of a field. Its texts stay, and of its rules, attributes, options and initial value all
 * that the new kind allows.
 */
export function withKind(field: FieldDocument, kind: string, set: SetDocument, kinds: KindTable): Turned {
  // Other fields stay as targets of references; their own rules are handled in `turnedIn`.
  const said = JSON.stringify([field.rules, field.when]);
  const others = set.fields.flatMap(({ when: _, rules: __, sameValueAs: ___, ...other }) =>
    other.id === field.id || !said.includes(JSON.stringify(other.id)) ? [] : [other as FieldDocument],
  );
  const isGood = (candidate: FieldDocument): boolean =>
    readDocument({ ...set, fields: [candidate, ...others], forms: [] }, kinds).ok;
  const { entry } = bareField(kind, kinds, field.locale ?? set.locale);
  const { rules = [], initial, sameValueAs, ...rest } = field;
  let turned = { ...rest, kind, entry } as unknown as FieldDocument;
  // Only fields of one kind share a value.
  const lost: string[] = sameValueAs === undefined ? [] : [words.theSharedValue];
  for (const [name, value] of Object.entries(field.entry)) {
    const kept = { ...turned, entry: { ...turned.entry, [name]: value } } as unknown as FieldDocument;
    if (isGood(kept)) turned = kept;
  }
  for (const rule of rules) {
    const kept = { ...turned, rules: [...(turned.rules ?? []), rule] } as FieldDocument;
    if (isGood(kept)) turned = kept;
    else lost.push(words.theRule(rule.id));
  }
  if (initial !== undefined) {
    const kept = { ...turned, initial } as FieldDocument;
    if (isGood(kept)) turned = kept;
    else lost.push(words.theInitialValue);
  }
  return { field: turned, lost };
}

/**
 * The set with a field of another kind, and what was dropped elsewhere, in words: comparisons with it, and
 * conditions on it that can no longer hold.
 */
export function turnedIn(
  set: SetDocument,
  turned: FieldDocument,
  kinds: KindTable,
): { readonly set: SetDocument; readonly lost: readonly string[] } {
  let next: SetDocument = {
    ...set,
    fields: set.fields.map((one) => (one.id === turned.id ? turned : one)),
  };
  const lost: string[] = [];
  for (;;) {
    const result = readDocument(next, kinds);
    const place = result.ok ? undefined : result.faults.map(({ path }) => placeOf(path)).find(Boolean);
    if (!place) return { set: next, lost };
    const { list, at, rule, member } = place;
    const all = (next[list] ?? []) as readonly {
      id: string;
      rules?: readonly { id: string }[];
      when?: unknown;
      sameValueAs?: unknown;
    }[];
    const owner = all[at];
    if (!owner) return { set: next, lost };
    const { [member]: _, ...rest } = owner;
    const changed = rule === undefined ? rest : { ...owner, rules: owner.rules?.toSpliced(rule, 1) };
    lost.push(
      rule === undefined ? lostMember[member](owner.id) : words.theRuleOf(owner.rules?.[rule]?.id, owner.id),
    );
    next = { ...next, [list]: all.with(at, changed as (typeof all)[number]) };
  }
}

const lostMember = { when: words.theCondition, sameValueAs: words.theSharedValueOf };

/** The rule, condition or shared value a fault is about, from its path. */
function placeOf(path: string):
  | {
      readonly list: 'fields' | 'forms';
      readonly at: number;
      readonly rule?: number;
      readonly member: keyof typeof lostMember;
    }
  | undefined {
  const found = /^\$\.(fields|forms)\[(\d+)\]\.(?:rules\[(\d+)\]|when|sameValueAs)/.exec(path);
  if (!found) return undefined;
  const [whole, list, at, rule] = found;
  return {
    list: list as 'fields' | 'forms',
    at: Number(at),
    member: whole.endsWith('.sameValueAs') ? 'sameValueAs' : 'when',
    ...(rule === undefined ? {} : { rule: Number(rule) }),
  };
}

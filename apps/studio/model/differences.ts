import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import * as texts from '../words/model/differences.ts';
import { partName } from './changed-words.ts';

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const nameOf = (field: FieldDocument): string => `“${field.label || field.id}”`;
const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : texts.and(words.slice(0, -1).join(', '), words.at(-1));

/** The differences of `other` from `present`, as sentences; empty if they are equal. */
export function differences(present: SetDocument, other: SetDocument): readonly string[] {
  const said: string[] = [];
  const own = (['title', 'locale', 'language', 'classes', 'forms', 'texts', 'trials'] as const).filter(
    (key) => !same(present[key], other[key]),
  );
  if (own.length > 0) said.push(texts.set(listed(own.map((key) => partName(key)))));
  const before = new Map(present.fields.map((field) => [field.id, field]));
  for (const field of other.fields) {
    const known = before.get(field.id);
    before.delete(field.id);
    if (!known) {
      said.push(texts.wasAdded(nameOf(field)));
      continue;
    }
    const keys = [...new Set([...Object.keys(known), ...Object.keys(field)])] as (keyof FieldDocument)[];
    const parts = keys.filter((key) => !same(known[key], field[key]));
    if (parts.length > 0)
      said.push(texts.changedWithNameListed(nameOf(known), listed(parts.map((key) => partName(key)))));
  }
  for (const field of before.values()) said.push(texts.wasRemoved(nameOf(field)));
  const order = (set: SetDocument, ids: readonly string[]) =>
    set.fields.map(({ id }) => id).filter((id) => ids.includes(id));
  const both = present.fields
    .map(({ id }) => id)
    .filter((id) => other.fields.some((field) => field.id === id));
  if (!same(order(present, both), order(other, both))) said.push(texts.theFields);
  return said;
}

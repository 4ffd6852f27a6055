import type { FieldDocument, SetDocument } from '@arbeit/engine/document';

const partNames: Readonly<Record<string, string>> = {
  kind: 'kind', label: 'label', hint: 'hint', placeholder: 'placeholder', locale: 'locale', initial: 'initial value', messages: 'number of messages shown', entry: 'typing options', html: 'HTML attributes', rules: 'rules', title: 'title', classes: 'character classes', forms: 'forms',
}; // biome-ignore format: a table

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const nameOf = (field: FieldDocument): string => `“${field.label || field.id}”`;
const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** The differences of `other` from `present`, as sentences; empty if they are equal. */
export function differences(present: SetDocument, other: SetDocument): readonly string[] {
  const said: string[] = [];
  const own = (['title', 'locale', 'classes', 'forms'] as const).filter(
    (key) => !same(present[key], other[key]),
  );
  if (own.length > 0) said.push(`Set: ${listed(own.map((key) => partNames[key]!))} changed.`);
  const before = new Map(present.fields.map((field) => [field.id, field]));
  for (const field of other.fields) {
    const known = before.get(field.id);
    before.delete(field.id);
    if (!known) {
      said.push(`${nameOf(field)} was added.`);
      continue;
    }
    const keys = [...new Set([...Object.keys(known), ...Object.keys(field)])] as (keyof FieldDocument)[];
    const parts = keys.filter((key) => !same(known[key], field[key]));
    if (parts.length > 0)
      said.push(`${nameOf(known)}: ${listed(parts.map((key) => partNames[key] ?? key))} changed.`);
  }
  for (const field of before.values()) said.push(`${nameOf(field)} was removed.`);
  const order = (set: SetDocument, ids: readonly string[]) =>
    set.fields.map(({ id }) => id).filter((id) => ids.includes(id));
  const both = present.fields
    .map(({ id }) => id)
    .filter((id) => other.fields.some((field) => field.id === id));
  if (!same(order(present, both), order(other, both))) said.push('The fields are in a different order.');
  return said;
}

import type { FieldDocument, RuleDocument, SetDocument } from '@arbeit/engine/document';

/** Edits of a document, each a new document. What is not touched stays the same object. */

export const fieldOf = (set: SetDocument, id: string): FieldDocument | undefined =>
  set.fields.find((field) => field.id === id);

export function changeField(
  set: SetDocument,
  id: string,
  change: (field: FieldDocument) => FieldDocument,
): SetDocument {
  return { ...set, fields: set.fields.map((field) => (field.id === id ? change(field) : field)) };
}

/** Adds a field under a free id made from the wanted one; returns the document and the id. */
export function addField(set: SetDocument, field: FieldDocument): { set: SetDocument; id: string } {
  const id = freeId(
    field.id,
    set.fields.map((other) => other.id),
  );
  return { set: { ...set, fields: [...set.fields, { ...field, id }] }, id };
}

/** Takes a field out, of the set and of every form it is in; a form left without fields goes with it. */
export function removeField(set: SetDocument, id: string): SetDocument {
  const forms = set.forms
    ?.map((form) => ({ ...form, fields: form.fields.filter((field) => field !== id) }))
    .filter((form) => form.fields.length > 0);
  return { ...set, fields: set.fields.filter((field) => field.id !== id), ...(forms ? { forms } : {}) };
}

function freeId(wanted: string, taken: readonly string[]): string {
  let id = wanted;
  for (let n = 2; taken.includes(id); n++) id = `${wanted}-${n}`;
  return id;
}

export const addRule = (field: FieldDocument, rule: RuleDocument): FieldDocument => {
  const rules = field.rules ?? [];
  const id = freeId(
    rule.id,
    rules.map((other) => other.id),
  );
  return { ...field, rules: [...rules, { ...rule, id }] };
};

export const changeRule = (
  field: FieldDocument,
  id: string,
  change: (rule: RuleDocument) => RuleDocument,
): FieldDocument => ({
  ...field,
  rules: (field.rules ?? []).map((rule) => (rule.id === id ? change(rule) : rule)),
});

export const removeRule = (field: FieldDocument, id: string): FieldDocument => ({
  ...field,
  rules: (field.rules ?? []).filter((rule) => rule.id !== id),
});

/** Moves a rule to a place in the order; places outside are the nearest end. */
export function moveRule(field: FieldDocument, id: string, to: number): FieldDocument {
  const rules = [...(field.rules ?? [])];
  const from = rules.findIndex((rule) => rule.id === id);
  const target = Math.max(0, Math.min(rules.length - 1, to));
  if (from < 0 || from === target) return field;
  rules.splice(target, 0, ...rules.splice(from, 1));
  return { ...field, rules };
}

/** Sets a text or takes it out when it is empty, so that a document holds nothing that says nothing. */
export function withText(
  field: FieldDocument,
  key: 'hint' | 'placeholder' | 'initial',
  text: string,
): FieldDocument {
  const next: { -readonly [K in keyof FieldDocument]?: FieldDocument[K] } = { ...field };
  if (text === '') delete next[key];
  else next[key] = text;
  return next as FieldDocument;
}

export function withAttribute(
  field: FieldDocument,
  name: string,
  value: string | boolean | undefined,
): FieldDocument {
  const { [name]: _, ...rest } = field.html ?? {};
  const html = value === undefined || value === '' || value === false ? rest : { ...rest, [name]: value };
  const { html: __, ...bare } = field;
  return (Object.keys(html).length ? { ...bare, html } : bare) as FieldDocument;
}

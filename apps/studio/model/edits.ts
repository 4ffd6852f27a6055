import type { FieldDocument, RuleDocument, SetDocument } from '@arbeit/engine/document';
import { freeId } from './free-id.ts';

/** Edits of a document, each returning a new document. Unchanged parts stay the same objects. */

export const fieldOf = (set: SetDocument, id: string): FieldDocument | undefined =>
  set.fields.find((field) => field.id === id);

export function changeField(
  set: SetDocument,
  id: string,
  change: (field: FieldDocument) => FieldDocument,
): SetDocument {
  return { ...set, fields: set.fields.map((field) => (field.id === id ? change(field) : field)) };
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

/** Moves a rule to an index; indices outside mean the nearest end. */
export function moveRule(field: FieldDocument, id: string, to: number): FieldDocument {
  const rules = [...(field.rules ?? [])];
  const from = rules.findIndex((rule) => rule.id === id);
  const target = Math.max(0, Math.min(rules.length - 1, to));
  if (from < 0 || from === target) return field;
  rules.splice(target, 0, ...rules.splice(from, 1));
  return { ...field, rules };
}

/** Sets a text, or removes it if it is empty, so that documents contain no empty texts. */
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

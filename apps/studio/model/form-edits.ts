import {
  type FormDocument,
  type FormRuleDocument,
  fieldIdsOf,
  type SectionDocument,
  type SetDocument,
} from '@arbeit/engine/document';
import * as words from '../words/model/form-edits.ts';
import { freeId, takenIds } from './free-id.ts';

/** Edits of the forms of a document, each returning a new document. */

/** Applies an edit to a form. Consecutive changes about the same thing are one undo step. */
export type ChangeForm = (edit: (form: FormDocument) => FormDocument, about?: string) => void;

export const formOf = (set: SetDocument, id: string): FormDocument | undefined =>
  set.forms?.find((form) => form.id === id);

/** A form's sections; a plain list of fields counts as one section without a title. */
export const sectionsOf = (form: FormDocument): readonly SectionDocument[] =>
  form.sections ?? [{ fields: fieldIdsOf(form) }];

export function changeForm(
  set: SetDocument,
  id: string,
  change: (form: FormDocument) => FormDocument,
): SetDocument {
  return { ...set, forms: (set.forms ?? []).map((form) => (form.id === id ? change(form) : form)) };
}

/** Adds a form of the first six fields at most, under a free id; returns the document and the id. */
export function addForm(set: SetDocument): { readonly set: SetDocument; readonly id: string } {
  const forms = set.forms ?? [];
  const id = freeId('form', takenIds(set, 'forms'));
  // A field is included only together with the fields it depends on.
  const free = set.fields.filter(
    ({ when, rules = [] }) =>
      !when && rules.every(({ check, when: own }) => !own && !('with' in check) && check.type !== 'compare'),
  );
  const fields = free.slice(0, 6).map((field) => field.id);
  const form: FormDocument = { id, title: words.newForm, sections: [{ title: words.firstSection, fields }] };
  return { set: { ...set, forms: [...forms, form] }, id };
}

export const removeForm = (set: SetDocument, id: string): SetDocument => ({
  ...set,
  forms: (set.forms ?? []).filter((form) => form.id !== id),
});

/** The form with these sections instead of its fields. */
export function withSections(form: FormDocument, sections: readonly SectionDocument[]): FormDocument {
  const { fields: _, sections: __, ...rest } = form;
  return { ...rest, sections };
}

/** A line of the arrangement: the heading of a section, by index, or a field. */
export type Line = { readonly section: number } | { readonly field: string };

/**
 * The form as lines, each section's heading before its fields: one list, so that a field can move between
 * sections.
 */
export const linesOf = (form: FormDocument): readonly Line[] =>
  sectionsOf(form).flatMap(({ fields }, section) => [{ section }, ...fields.map((field) => ({ field }))]);

export const nameOfLine = (line: Line): string => ('field' in line ? line.field : `section ${line.section}`);

/** Moves a field to an index among all lines; indices outside mean the nearest end. */
export function moveLine(form: FormDocument, field: string, to: number): FormDocument {
  const lines = linesOf(form);
  const from = lines.findIndex((line) => 'field' in line && line.field === field);
  const target = Math.max(0, Math.min(lines.length - 1, to));
  if (from < 0 || from === target) return form;
  const sections = sectionsOf(form);
  const fields: string[][] = sections.map(() => []);
  let at = 0;
  for (const line of lines.toSpliced(from, 1).toSpliced(target, 0, { field }))
    if ('section' in line) at = line.section;
    else fields[at]?.push(line.field);
  return withSections(
    form,
    sections.map((section, i) => ({ ...section, fields: fields[i] ?? [] })),
  );
}

/** Where a field is added to a form: after a field, or at the end of a section. */
export type Place = { readonly after: string } | { readonly section: number };

/** Moves a section with its fields to an index among the sections; indices outside mean the nearest end. */
export function moveSection(form: FormDocument, at: number, to: number): FormDocument {
  const sections = sectionsOf(form);
  const target = Math.max(0, Math.min(sections.length - 1, to));
  const section = sections[at];
  if (!section || target === at) return form;
  return withSections(form, sections.toSpliced(at, 1).toSpliced(target, 0, section));
}

/** Adds a field of the set to a form, before it those it depends on that are not in the form yet. */
export function addToForm(set: SetDocument, form: FormDocument, field: string, place: Place): FormDocument {
  const own = fieldIdsOf(form);
  const added = [...neededBy(set, field)].filter((id) => !own.includes(id)).reverse();
  const sections = sectionsOf(form).map((section, at) => {
    const { fields } = section;
    const isHere = 'section' in place ? at === place.section : fields.includes(place.after);
    const to = 'section' in place ? fields.length : fields.indexOf(place.after) + 1;
    return isHere ? { ...section, fields: fields.toSpliced(to, 0, ...added) } : section;
  });
  return withSections(form, sections);
}

/** A field and those that it depends on by conditions or rules, directly or not; the field itself first. */
function neededBy(set: SetDocument, field: string): ReadonlySet<string> {
  const all = new Set([field]);
  // Items added during the loop are visited too.
  for (const one of all) {
    const { when, rules } = set.fields.find(({ id }) => id === one) ?? {};
    const said = [when, rules?.map((rule) => [rule.check, rule.when])];
    for (const { id } of set.fields) if (mentions(said, id)) all.add(id);
  }
  return all;
}

/** A field of a form and those that depend on it by conditions or rules, directly or not. */
function hangingOn(set: SetDocument, form: FormDocument, field: string): ReadonlySet<string> {
  const own = fieldIdsOf(form);
  const all = new Set([field]);
  // Items added during the loop are visited too.
  for (const gone of all)
    for (const { id, when, rules = [] } of set.fields)
      if (own.includes(id) && mentions([when, rules.map((rule) => [rule.check, rule.when])], gone))
        all.add(id);
  return all;
}

const mentions = (said: unknown, field: string): boolean =>
  JSON.stringify(said).includes(JSON.stringify(field));

/** Removes a field from the form, with those that depend on it and the form's rules about any of them. */
export function removeFromForm(set: SetDocument, form: FormDocument, field: string): FormDocument {
  const gone = hangingOn(set, form, field);
  const sections = sectionsOf(form).map((section) => ({
    ...section,
    fields: section.fields.filter((id) => !gone.has(id)),
  }));
  const { completes, rules, ...rest } = withSections(form, sections);
  const left = rules?.filter((rule) => ![...gone].some((id) => rule.field === id || speaksOf(rule, id)));
  return {
    ...rest,
    ...(completes === undefined || gone.has(completes) ? {} : { completes }),
    ...(left ? { rules: left } : {}),
  };
}

const speaksOf = ({ check, when }: FormRuleDocument, field: string): boolean =>
  (check.type === 'compare' && check.field === field) ||
  ('with' in check && check.with?.includes(field) === true) ||
  mentions(when ?? null, field);

export const changeSection = (
  form: FormDocument,
  at: number,
  change: (section: SectionDocument) => SectionDocument,
): FormDocument => {
  const sections = sectionsOf(form);
  const section = sections[at];
  return section ? withSections(form, sections.with(at, change(section))) : form;
};

/** Adds an empty section after the one at an index. */
export const addSection = (form: FormDocument, after: number): FormDocument =>
  withSections(form, sectionsOf(form).toSpliced(after + 1, 0, { title: words.anotherSection, fields: [] }));

/** Starts a section after a field: the fields behind it in its section go there. */
export function splitSection(form: FormDocument, after: string): FormDocument {
  const sections = sectionsOf(form);
  const at = sections.findIndex(({ fields }) => fields.includes(after));
  const section = sections[at];
  if (!section) return form;
  const end = section.fields.indexOf(after) + 1;
  return withSections(
    form,
    sections.toSpliced(
      at,
      1,
      { ...section, fields: section.fields.slice(0, end) },
      { ...section, title: words.anotherSection, fields: section.fields.slice(end) },
    ),
  );
}

/**
 * Removes the heading of a section. Its fields go to the section before, or after the first. The last heading
 * stays.
 */
export function removeSection(form: FormDocument, at: number): FormDocument {
  const sections = sectionsOf(form);
  const gone = sections[at];
  if (!gone || sections.length === 1) return form;
  const heir = at === 0 ? 1 : at - 1;
  const fields =
    at === 0 ? [...gone.fields, ...sections[1]!.fields] : [...sections[heir]!.fields, ...gone.fields];
  return withSections(form, sections.with(heir, { ...sections[heir]!, fields }).toSpliced(at, 1));
}

/** Adds a rule under a free id. */
export function addFormRule(form: FormDocument, rule: FormRuleDocument): FormDocument {
  const rules = form.rules ?? [];
  let { id } = rule;
  for (let n = 2; rules.some((other) => other.id === id); n++) id = `${rule.id}-${n}`;
  return { ...form, rules: [...rules, { ...rule, id }] };
}

export const changeFormRule = (
  form: FormDocument,
  id: string,
  change: (rule: FormRuleDocument) => FormRuleDocument,
): FormDocument => ({
  ...form,
  rules: (form.rules ?? []).map((rule) => (rule.id === id ? change(rule) : rule)),
});

export const removeFormRule = (form: FormDocument, id: string): FormDocument => ({
  ...form,
  rules: (form.rules ?? []).filter((rule) => rule.id !== id),
});

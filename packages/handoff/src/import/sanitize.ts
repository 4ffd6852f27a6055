import {
  type FieldDocument,
  type FormDocument,
  fieldIdsOf,
  readDocument,
  type SetDocument,
} from '@arbeit/engine/document';
import { most, type Said, say } from '@arbeit/engine/faults';
import { reservedNames } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import type { Place } from '../document-text.ts';
import { slug } from '../names.ts';
import { importTexts } from './texts.ts';

/** Something that could not be imported, where it is, and why. */
export interface Dropped {
  /** What it is about: `the field “E-mail”`, `line 12`. */
  readonly where: string;
  /** It stays the same when the sentence is reworded. */
  readonly code: string;
  readonly why: string;
  readonly place?: Place | undefined;
}

/** What was said of a loss, as its members. */
export const dropped = ({ code, message }: Said): Pick<Dropped, 'code' | 'why'> => ({
  code,
  why: message.trim(),
});

/** The result of an import: a valid set, and what of the source is not in it. */
export interface Imported {
  readonly set: SetDocument;
  readonly lost: readonly Dropped[];
}

/** A field during an import. */
export interface Draft {
  readonly field: FieldDocument;
  readonly place?: Place | undefined;
  /** The title of its section, if the form has sections. */
  readonly section?: string;
  /** The title of its form, if the source has several. */
  readonly form?: string;
}

/** An id of letters, digits and hyphens that is not in `taken`. */
export function idFor(name: string, taken: ReadonlySet<string>): string {
  const plain =
    slug(name.replace(/([a-z\d])([A-Z])/g, '$1-$2'))
      .replace(/^[-\d]+/, '')
      .slice(0, 40) || 'field';
  let id = plain;
  for (let n = 2; taken.has(id); n++) id = `${plain}-${n}`;
  return id;
}

/**
 * The name that a source has for a field, as a member of its definition; nothing if it is the id, or cannot
 * be a name.
 */
export const namedAs = (name: string | undefined, id: string): { readonly name?: string } =>
  name !== undefined &&
  name !== id &&
  name.length <= most.id &&
  /\S/.test(name) &&
  !new RegExp(reservedNames, 'u').test(name)
    ? { name }
    : {};

/** A name as a label: `guestName` becomes `Guest name`. */
export function labelFor(name: string): string {
  const words = name
    .replace(/([a-z\d])([A-Z])/g, '$1 $2')
    .replace(/[-_.[\]]+/g, ' ')
    .trim()
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1) || 'Field';
}

const reads = (fields: readonly FieldDocument[], locale: string) =>
  readDocument({ arbeit: 2, title: 'T', locale, fields }, kinds);

/** Members of a field in the order in which they are dropped. */
const pieces = ['initial', 'placeholder', 'rules', 'html', 'hint'] as const;

/**
 * Makes a field valid: invalid rules are dropped one by one, then whole members, until no fault is left; at
 * worst it becomes a text. What was dropped is reported.
 */
function soundField({ field, place }: Draft, locale: string, lose: (lost: Dropped) => void): FieldDocument {
  const where = `the field “${field.label}”`;
  const isSound = (one: FieldDocument): boolean => reads([one], locale).ok;
  if (isSound(field)) return field;
  const rules = (field.rules ?? []).filter((rule) => {
    const result = reads([{ ...field, rules: [rule], initial: '' }], locale);
    const faults = result.ok ? [] : result.faults.filter(({ path }) => path.includes('.rules'));
    if (faults[0]) lose({ where: `${where}, ${rule.check.type}`, ...dropped(faults[0]), place });
    return !faults[0];
  });
  let kept: FieldDocument = { ...field, rules };
  if (rules.length === 0) kept = without(kept, 'rules');
  for (const piece of pieces) {
    if (isSound(kept)) return kept;
    if (kept[piece] === undefined) continue;
    const lean = without(kept, piece);
    const result = reads([kept], locale);
    const fault = result.ok ? undefined : result.faults.find(({ path }) => path.includes(piece));
    if (!fault) continue;
    lose({ where: `${where}, ${piece}`, ...dropped(fault), place });
    kept = lean;
  }
  if (isSound(kept)) return kept;
  const result = reads([kept], locale);
  lose({
    where,
    ...dropped(
      say(importTexts, 'imported-as-text', { message: result.ok ? '' : (result.faults[0]?.message ?? '') }),
    ),
    place,
  });
  const { id, label, hint, rules: before = [] } = field;
  const needed = before.filter(({ check }) => check.type === 'required');
  const text: FieldDocument = {
    id,
    kind: 'text',
    label,
    ...(hint === undefined ? {} : { hint }),
    entry: {},
    ...(needed.length ? { rules: needed } : {}),
  };
  return isSound(text) ? text : { id, kind: 'text', label, entry: {} };
}

function without<K extends keyof FieldDocument>(field: FieldDocument, piece: K): FieldDocument {
  const { [piece]: _, ...rest } = field;
  // The omitted members are optional.
  return rest as unknown as FieldDocument;
}

/** Most fields of an import, and most losses reported one by one. */
const mostFields = 1000;
const mostLost = 500;

/**
 * A set of drafts, each made valid; with the forms that the drafts name, or a form of all fields if it has a
 * title.
 */
export function sanitize(
  {
    title,
    locale,
    form,
  }: { readonly title: string; readonly locale: string; readonly form?: string | undefined },
  drafts: readonly Draft[],
  lost: readonly Dropped[],
): Imported {
  const all = [...lost];
  if (drafts.length > mostFields)
    all.unshift({
      where: `${drafts.length - mostFields} fields`,
      ...dropped(say(importTexts, 'too-many-fields', { most: mostFields })),
      place: drafts[mostFields]?.place,
    });
  const isLocale = readDocument({ arbeit: 2, title: 'T', locale, fields: [] }, kinds).ok;
  const speaks = isLocale ? locale : 'en-GB';
  if (!isLocale)
    all.push({ where: 'the language', ...dropped(say(importTexts, 'unknown-locale', { locale })) });
  const taken = drafts.slice(0, mostFields);
  const forms = formsOf(taken, form);
  const fields = withNames(
    taken.map((draft) => soundField(draft, speaks, (one) => all.push(one))),
    forms,
    (one) => all.push(one),
  );
  const base = {
    arbeit: 2 as const,
    title: title.trim().slice(0, 200) || 'Imported',
    locale: speaks,
    fields,
  };
  const result = readDocument(forms.length > 0 ? { ...base, forms } : base, kinds);
  if (result.ok) return { set: result.document, lost: cappedLost(all) };
  const plain = readDocument(base, kinds);
  for (const fault of result.faults) all.push({ where: `the form “${form}”`, ...dropped(fault) });
  return { set: plain.ok ? plain.document : { ...base, fields: [] }, lost: cappedLost(all) };
}

/**
 * The fields, each with a name that no other field of its form has as name or id. A name that is taken is
 * reported; the field is then known by its id.
 */
function withNames(
  fields: readonly FieldDocument[],
  forms: readonly FormDocument[],
  lose: (lost: Dropped) => void,
): readonly FieldDocument[] {
  const taken = new Set<string>();
  for (const form of forms) {
    const own = new Set(fieldIdsOf(form));
    const known = new Map([...own].map((id) => [id, id]));
    for (const { id, name } of fields) {
      if (name === undefined || !own.has(id)) continue;
      if ((known.get(name) ?? id) === id) known.set(name, id);
      else taken.add(id);
    }
  }
  return fields.map((field) => {
    if (!taken.has(field.id)) return field;
    const { name = '', id } = field;
    lose({ where: `the field “${field.label}”`, ...dropped(say(importTexts, 'name-taken', { name, id })) });
    return without(field, 'name');
  });
}

/** A form for each title that drafts name, in their order; `whole` is that of drafts that name none. */
function formsOf(drafts: readonly Draft[], whole: string | undefined): readonly FormDocument[] {
  const byTitle = new Map<string, Draft[]>();
  for (const draft of drafts) {
    const { form = whole } = draft;
    if (form !== undefined) byTitle.set(form, [...(byTitle.get(form) ?? []), draft]);
  }
  const taken = new Set<string>();
  return [...byTitle].map(([title, own]) => {
    const id = idFor(title, taken);
    taken.add(id);
    return { id, title, ...inSections(own, title) } as FormDocument;
  });
}

/** The fields of a form in sections: neighbours with the same section name are together. */
function inSections(drafts: readonly Draft[], form: string): Pick<FormDocument, 'fields' | 'sections'> {
  const sections: { readonly title: string; readonly fields: string[] }[] = [];
  for (const { field, section = '' } of drafts) {
    const title = section === form ? '' : section;
    const last = sections.at(-1);
    if (last && last.title === title) last.fields.push(field.id);
    else sections.push({ title, fields: [field.id] });
  }
  if (sections.every(({ title }) => title === '')) return { fields: drafts.map(({ field }) => field.id) };
  return { sections: sections.map(({ title, fields }) => (title ? { title, fields } : { fields })) };
}

const cappedLost = (all: readonly Dropped[]): readonly Dropped[] =>
  all.length <= mostLost
    ? all
    : [
        ...all.slice(0, mostLost),
        {
          where: 'the rest',
          ...dropped(say(importTexts, 'more-not-imported', { count: all.length - mostLost })),
        },
      ];

import { type FieldDocument, type FormDocument, languageOf, type SetDocument } from '@arbeit/engine/document';
import { rangesOf } from '@arbeit/engine/kinds/pattern';
import { removeClass } from './classes.ts';
import { withRecordName } from './field-edits.ts';
import { freeId } from './free-id.ts';
import { renameField, renameForm } from './references.ts';
import { addTrials } from './trial-edits.ts';

/** Fields and forms of one set added to another one. */
export interface AddedSet {
  readonly set: SetDocument;
  /** Ids of the added fields and forms that are other ones than in the added set: before and after. */
  readonly renamed: readonly (readonly [before: string, after: string])[];
}

/**
 * Adds fields, forms, trials, classes and translations of a set to another one. Nothing that was there
 * changes: what has a taken id gets another one, wherever the added set refers to it. Added fields keep their
 * names in records, and the locale and the language they had.
 */
export function addSet(into: SetDocument, given: SetDocument): AddedSet {
  const renamed: (readonly [string, string])[] = [];
  let added = withoutTakenClasses(into, given);
  const taken = [...into.fields, ...given.fields].map(({ id }) => id);
  for (const { id } of given.fields) {
    if (!into.fields.some((field) => field.id === id)) continue;
    const free = freeId(id, taken);
    taken.push(free);
    added = withName(renameField(added, id, free), free, id);
    renamed.push([id, free]);
  }
  const forms = [...(into.forms ?? []), ...(given.forms ?? [])].map(({ id }) => id);
  for (const { id } of given.forms ?? []) {
    if (!(into.forms ?? []).some((form) => form.id === id)) continue;
    const free = freeId(id, forms);
    forms.push(free);
    added = renameForm(added, id, free);
    renamed.push([id, free]);
  }
  return { set: joined(into, added), renamed };
}

/** The set with a field that keeps its name in records: the id that it had, unless it has a name. */
const withName = (set: SetDocument, id: string, name: string): SetDocument => ({
  ...set,
  fields: set.fields.map((field) => (field.id === id ? withRecordName(field, field.name ?? name) : field)),
});

/**
 * The set whose classes mean the same in the other one; patterns have the characters of those that do not.
 */
function withoutTakenClasses({ classes: known = {} }: SetDocument, added: SetDocument): SetDocument {
  const same = (one: string, other: string): boolean =>
    JSON.stringify(rangesOf(one)) === JSON.stringify(rangesOf(other));
  let set = added;
  for (const [name, characters] of Object.entries(added.classes ?? {}))
    if (known[name] !== undefined && !same(known[name], characters)) set = removeClass(set, name);
  return set;
}

/** Both sets in one. Their ids differ. */
function joined(into: SetDocument, added: SetDocument): SetDocument {
  const fields = added.fields.map((field) => settled(field, into, added));
  const forms: readonly FormDocument[] = [...(into.forms ?? []), ...(added.forms ?? [])];
  const classes = { ...added.classes, ...into.classes };
  const texts = textsOfBoth(into, added);
  const { trials, ...set } = into;
  const whole: SetDocument = {
    ...set,
    ...(Object.keys(classes).length ? { classes } : {}),
    fields: [...into.fields, ...fields],
    ...(forms.length ? { forms } : {}),
    ...(trials ? { trials } : {}),
    ...(texts ? { texts } : {}),
  };
  return added.trials?.length ? addTrials(whole, added.trials).set : whole;
}

/** A field with the locale and the language that it had in its set. */
function settled(field: FieldDocument, into: SetDocument, from: SetDocument): FieldDocument {
  const locale = field.locale ?? from.locale;
  const formatted = locale === into.locale ? field : ({ ...field, locale } as FieldDocument);
  const language = languageOf(field, from);
  return languageOf(formatted, into) === language ? formatted : ({ ...formatted, language } as FieldDocument);
}

/** The translations of both sets. */
function textsOfBoth(into: SetDocument, added: SetDocument): SetDocument['texts'] {
  if (!added.texts) return into.texts;
  const all: Record<string, NonNullable<SetDocument['texts']>[string]> = { ...into.texts };
  for (const [language, own] of Object.entries(added.texts)) all[language] = { ...own, ...all[language] };
  return all;
}

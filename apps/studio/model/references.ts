import type { ConditionDocument, FormDocument, RuleDocument, SetDocument } from '@arbeit/engine/document';
import type { Trial } from '@arbeit/engine/tape';
import { renamedIn, targetOf } from './trial-edits.ts';

/** New id of a field; `null` if it is gone. */
type Renamed = (id: string) => string | null;

/**
 * The set with every reference to fields changed: in conditions, in rules that read several fields, in
 * shared values, in forms. What makes no sense without a deleted field is deleted too: the rule, the
 * condition, the form without fields. Ids of the fields themselves stay.
 */
function withReferences(set: SetDocument, to: Renamed): SetDocument {
  const fields = set.fields.map((field) => {
    const { when, sameValueAs, ...rest } = field;
    const rules = field.rules?.flatMap((rule) => inRule(rule, to));
    const condition = when && inCondition(when, to);
    const leader = sameValueAs === undefined ? undefined : (to(sameValueAs) ?? undefined);
    const isSame =
      condition === when &&
      leader === sameValueAs &&
      rules?.every((rule, i) => rule === field.rules?.[i]) !== false;
    if (isSame && rules?.length === field.rules?.length) return field;
    return {
      ...rest,
      ...(rules ? { rules } : {}),
      ...(leader === undefined ? {} : { sameValueAs: leader }),
      ...(condition ? { when: condition } : {}),
    } as typeof field;
  });
  const forms = set.forms?.flatMap((form) => inForm(form, to));
  const texts = set.texts && inTexts(set.texts, 'fields', to);
  const { trials, ...rest } = set;
  const tried = trials?.flatMap((trial) => inTrial(trial, set, to)) ?? [];
  return {
    ...rest,
    fields,
    ...(forms ? { forms } : {}),
    ...(tried.length ? { trials: tried } : {}),
    ...(texts ? { texts } : {}),
  };
}

/** A trial of a field is deleted with it. A trial of a form stays and reports what it cannot play. */
function inTrial(trial: Trial, { fields }: SetDocument, to: Renamed): readonly Trial[] {
  const target = targetOf(trial);
  if (target?.type === 'field' && to(target.id) === null) return [];
  let { tape } = trial;
  // The fields already have their new ids; a tape still has the old names.
  for (const id of new Set(tape.match(/[A-Za-z][\w-]*/g)))
    if (!fields.some((field) => field.id === id)) {
      const name = to(id);
      if (name !== null && name !== id) tape = renamedIn(tape, 'field', id, name);
    }
  return [tape === trial.tape ? trial : { ...trial, tape }];
}

/**
 * Removes a field from the set, its forms and everything that refers to it; a form without fields is removed
 * too.
 */
export function removeField(set: SetDocument, id: string): SetDocument {
  const fields = set.fields.filter((field) => field.id !== id);
  return withReferences({ ...set, fields }, (name) => (name === id ? null : name));
}

/** Changes the id of a field wherever the set refers to it. */
export function renameField(set: SetDocument, id: string, to: string): SetDocument {
  const fields = set.fields.map((field) => (field.id === id ? { ...field, id: to } : field));
  return withReferences({ ...set, fields }, (name) => (name === id ? to : name));
}

/** Changes the id of a form wherever the set refers to it. */
export function renameForm(set: SetDocument, id: string, to: string): SetDocument {
  const { forms, texts, trials } = set;
  return {
    ...set,
    ...(forms ? { forms: forms.map((form) => (form.id === id ? { ...form, id: to } : form)) } : {}),
    ...(texts ? { texts: inTexts(texts, 'forms', (name) => (name === id ? to : name)) } : {}),
    ...(trials
      ? {
          trials: trials.map((trial) => {
            const target = targetOf(trial);
            const isOfIt = target?.type === 'form' && target.id === id;
            return isOfIt ? { ...trial, tape: renamedIn(trial.tape, 'form', id, to) } : trial;
          }),
        }
      : {}),
  };
}

/**
 * Renames fields or forms in the texts of other languages. Texts of what is gone stay, in case it is
 * restored.
 */
function inTexts(
  texts: NonNullable<SetDocument['texts']>,
  list: 'fields' | 'forms',
  to: Renamed,
): NonNullable<SetDocument['texts']> {
  const named = (key: string): string => {
    const [first, id = '', ...rest] = key.split('/');
    return first === list ? [first, to(id) ?? id, ...rest].join('/') : key;
  };
  return Object.fromEntries(
    Object.entries(texts).map(([language, own]) => [
      language,
      Object.fromEntries(Object.entries(own).map(([key, text]) => [named(key), text])),
    ]),
  );
}

function inForm(form: FormDocument, to: Renamed): readonly FormDocument[] {
  const named = (ids: readonly string[]): string[] =>
    ids.flatMap((id) => {
      const name = to(id);
      return name === null ? [] : [name];
    });
  const { completes, ...rest } = form;
  const ends = completes === undefined ? null : to(completes);
  const next: FormDocument = {
    ...rest,
    ...(form.fields ? { fields: named(form.fields) } : {}),
    ...(form.sections
      ? { sections: form.sections.map((section) => ({ ...section, fields: named(section.fields) })) }
      : {}),
    ...(ends === null ? {} : { completes: ends }),
    ...(form.rules
      ? {
          rules: form.rules.flatMap((rule) => {
            const field = to(rule.field);
            return field === null ? [] : inRule({ ...rule, field }, to);
          }),
        }
      : {}),
  };
  const count = next.fields?.length ?? next.sections?.reduce((sum, one) => sum + one.fields.length, 0);
  return count ? [next] : [];
}

function inRule<R extends RuleDocument>(rule: R, to: Renamed): readonly R[] {
  const { check, when } = rule;
  const condition = when && inCondition(when, to);
  const others: string[] =
    check.type === 'compare' ? [check.field] : 'with' in check ? [...(check.with ?? [])] : [];
  const named = others.map(to);
  if (named.includes(null) || (when && !condition)) return [];
  const isSame = condition === when && named.every((name, i) => name === others[i]);
  if (isSame) return [rule];
  const changed =
    check.type === 'compare'
      ? { ...check, field: named[0] }
      : others.length
        ? { ...check, with: named }
        : check;
  return [{ ...rule, check: changed, ...(condition ? { when: condition } : {}) } as R];
}

/** The condition with renamed fields; `undefined` if one of them is gone. */
function inCondition(when: ConditionDocument, to: Renamed): ConditionDocument | undefined {
  if ('field' in when) {
    const field = to(when.field);
    if (field === when.field) return when;
    return field === null ? undefined : { ...when, field };
  }
  if ('not' in when) {
    const not = inCondition(when.not, to);
    return not === when.not ? when : not && { not };
  }
  const all = 'all' in when ? when.all : when.any;
  const next = all.map((one) => inCondition(one, to));
  if (next.every((one, i) => one === all[i])) return when;
  const left = next.filter((one) => one !== undefined);
  if (left.length === 0) return undefined;
  return 'all' in when ? { all: left } : { any: left };
}

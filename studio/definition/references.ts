import type { ConditionDocument, FormDocument, RuleDocument, SetDocument } from '@arbeit/engine/document';

/** What a field is called from now on; `null`: it is gone. */
type Renamed = (id: string) => string | null;

/**
 * The set with every mention of fields changed: in conditions, in rules that read several fields, in forms. What cannot be said without a field
 * that is gone goes with it: the rule, the condition, the form of no fields. Ids of the fields themselves stay.
 */
export function withReferences(set: SetDocument, to: Renamed): SetDocument {
  const fields = set.fields.map((field) => {
    const { when, ...rest } = field;
    const rules = field.rules?.flatMap((rule) => inRule(rule, to));
    const condition = when && inCondition(when, to);
    const isSame = condition === when && rules?.every((rule, i) => rule === field.rules?.[i]) !== false;
    if (isSame && rules?.length === field.rules?.length) return field;
    return {
      ...rest,
      ...(rules ? { rules } : {}),
      ...(condition ? { when: condition } : {}),
    } as typeof field;
  });
  const forms = set.forms?.flatMap((form) => inForm(form, to));
  return { ...set, fields, ...(forms ? { forms } : {}) };
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

/** The condition in other words; none where one of its fields is gone. */
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

import type { Plan } from '../field/compiled.ts';
import { type KindTable, kindIn } from '../kinds/contract/definition.ts';
import type { Condition } from '../rules/condition.ts';
import type { ConditionDocument, ConditionValue, FieldDocument, SetDocument } from './document.ts';

type Fields = Pick<SetDocument, 'locale' | 'classes'> & Partial<Pick<SetDocument, 'fields'>>;

/** Fields by id for each list of fields, computed once: documents do not change. */
const byIds = new WeakMap<readonly FieldDocument[], ReadonlyMap<string, FieldDocument>>();

export function fieldIn(fields: readonly FieldDocument[], id: string): FieldDocument | undefined {
  const known = byIds.get(fields);
  if (known) return known.get(id);
  const made = new Map(fields.map((field) => [field.id, field]));
  byIds.set(fields, made);
  return made.get(id);
}

/**
 * A condition ready to run. Values that it compares with become the typed values of their fields, so that
 * `50` equals `50.00`. Values for a field that the set does not have are kept as written.
 *
 * @example
 * const condition = compileCondition({ field: 'meals', is: 'half' }, set, kinds);
 */
export function compileCondition(condition: ConditionDocument, set: Fields, kinds: KindTable): Condition {
  if ('all' in condition) return { all: condition.all.map((one) => compileCondition(one, set, kinds)) };
  if ('any' in condition) return { any: condition.any.map((one) => compileCondition(one, set, kinds)) };
  if ('not' in condition) return { not: compileCondition(condition.not, set, kinds) };
  const { field: id, is } = condition;
  const field = set.fields && fieldIn(set.fields, id);
  const given = Array.isArray(is) ? (is as readonly ConditionValue[]) : [is as ConditionValue];
  const typed = field && valuesOf(field, set, kinds);
  const values = given.map((one) => (one === null ? null : (typed?.(String(one)) ?? String(one))));
  const between = field && separatorIn(field, set, kinds);
  return between === undefined ? { field: id, is: values } : { field: id, is: values, has: between };
}

/** The plan of a field without its rules. */
function planOf({ id, kind, entry, locale }: FieldDocument, set: Fields, kinds: KindTable): Plan {
  const around = { id, locale: locale ?? set.locale, language: 'en', rules: [], classes: set.classes ?? {} };
  return kindIn(kinds, kind).define.plan(entry ?? {}, around);
}

/** What separates the values of a field that may have several. */
const separatorIn = (field: FieldDocument, set: Fields, kinds: KindTable): string | undefined =>
  kindIn(kinds, field.kind).run.separator?.(planOf(field, set, kinds));

/**
 * A function that returns the typed value a field would have for a value in a condition; `undefined` if it
 * would have none.
 */
export function valuesOf(
  field: FieldDocument,
  set: Fields,
  kinds: KindTable,
): (written: string) => string | undefined {
  const { run } = kindIn(kinds, field.kind);
  const plan = planOf(field, set, kinds);
  return (written) => {
    const { body, leftOut } = run.parse(plan, written);
    return leftOut ? undefined : (run.value(plan, body) ?? undefined);
  };
}

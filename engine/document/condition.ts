import { type KindTable, kindIn } from '../kinds/definition.ts';
import type { Condition } from '../rules/condition.ts';
import type { ConditionDocument, ConditionValue, FieldDocument, SetDocument } from './document.ts';

type Fields = Pick<SetDocument, 'locale' | 'classes'> & Partial<Pick<SetDocument, 'fields'>>;

/**
 * A condition ready to run: what a field is compared with becomes the typed value it would have, so that `50` meets `50.00`. Of a field the
 * set does not have, what is written is taken as it is.
 */
export function compileCondition(condition: ConditionDocument, set: Fields, kinds: KindTable): Condition {
  if ('all' in condition) return { all: condition.all.map((one) => compileCondition(one, set, kinds)) };
  if ('any' in condition) return { any: condition.any.map((one) => compileCondition(one, set, kinds)) };
  if ('not' in condition) return { not: compileCondition(condition.not, set, kinds) };
  const { field: id, is } = condition;
  const field = set.fields?.find((one) => one.id === id);
  const given = Array.isArray(is) ? (is as readonly ConditionValue[]) : [is as ConditionValue];
  const values = given.map((one) =>
    one === null ? null : ((field && valueFor(field, one, set, kinds)) ?? String(one)),
  );
  const isSeveral = field !== undefined && kindIn(kinds, field.kind).define.hasSeveral;
  return isSeveral ? { field: id, is: values, has: true } : { field: id, is: values };
}

/** The typed value a field would have of what is written in a condition; `undefined` where it would have none. */
export function valueFor(
  { id, kind, entry, locale }: FieldDocument,
  written: string | number | boolean,
  set: Fields,
  kinds: KindTable,
): string | undefined {
  const { define, run } = kindIn(kinds, kind);
  const around = { id, locale: locale ?? set.locale, rules: [], classes: set.classes ?? {} };
  const plan = define.plan(entry ?? {}, around);
  const { body, leftOut } = run.read(plan, String(written));
  return leftOut ? undefined : (run.value(plan, body) ?? undefined);
}

/**
 * A condition on other fields: a field has one of these values (`null`: none), all or any of several
 * conditions hold, or one does not.
 */
export type Condition =
  | { readonly field: string; readonly is: readonly (string | null)[]; readonly has?: string }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition };

/**
 * Whether a condition holds. `valueIn` returns the typed value of a field, `null` if it has none or does not
 * count. `has`: what separates the values of a field that may have several; one of them is enough.
 */
export function holds(condition: Condition, valueIn: (field: string) => string | null): boolean {
  if ('all' in condition) return condition.all.every((one) => holds(one, valueIn));
  if ('any' in condition) return condition.any.some((one) => holds(one, valueIn));
  if ('not' in condition) return !holds(condition.not, valueIn);
  const value = valueIn(condition.field);
  return condition.has && value !== null
    ? value.split(condition.has).some((one) => condition.is.includes(one))
    : condition.is.includes(value);
}

/** The ids of the fields in a condition; may contain duplicates. */
export function fieldsIn(condition: Condition): readonly string[] {
  if ('all' in condition) return condition.all.flatMap(fieldsIn);
  if ('any' in condition) return condition.any.flatMap(fieldsIn);
  return 'not' in condition ? fieldsIn(condition.not) : [condition.field];
}

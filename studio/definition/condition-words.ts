import type { ConditionDocument, FieldDocument } from '@arbeit/engine/document';

/** What a condition asks, as people say it: “Is a dog coming along?” is yes. `labelOf` names a field, `wordsOf` one of its values. */
export function conditionInWords(
  when: ConditionDocument,
  labelOf: (field: string) => string,
  wordsOf: (field: string, value: string) => string,
): string {
  const say = (one: ConditionDocument): string => conditionInWords(one, labelOf, wordsOf);
  if ('all' in when) return when.all.map(say).join(' and ');
  if ('any' in when) return when.any.map(say).join(' or ');
  if ('not' in when)
    return 'field' in when.not && when.not.is === null
      ? `“${labelOf(when.not.field)}” has a value`
      : `not: ${say(when.not)}`;
  const { field, is } = when;
  const values = (Array.isArray(is) ? is : [is]).map((value: unknown) =>
    value === null
      ? 'empty'
      : wordsOf(field, value === true ? 'yes' : value === false ? 'no' : String(value)),
  );
  return `“${labelOf(field)}” is ${values.join(' or ')}`;
}

/** Values a condition can ask a field for, with their words; none where any text is one. */
export function valuesOf(field: FieldDocument): readonly (readonly [value: string, words: string])[] {
  const entry = field.entry as {
    readonly options?: readonly { readonly value: string; readonly label?: string }[];
    readonly yes?: string;
    readonly no?: string;
  };
  if (entry.options) return entry.options.map(({ value, label }) => [value, label ?? value]);
  return isYesOrNo(field)
    ? [
        ['yes', entry.yes ?? 'yes'],
        ['no', entry.no ?? 'no'],
      ]
    : [];
}

/** A field whose option is what its yes and its no are called. */
const isYesOrNo = ({ entry }: FieldDocument): boolean => 'yes' in entry || 'no' in entry;

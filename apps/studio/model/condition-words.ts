import type { ConditionDocument } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Offer } from '@arbeit/engine/options';
import * as texts from '../words/model/condition-words.ts';

/**
 * A condition in words: “Are you bringing a dog?” is yes. `labelOf` names a field, `wordsOf` one of its
 * values.
 */
export function conditionInWords(
  when: ConditionDocument,
  labelOf: (field: string) => string,
  wordsOf: (field: string, value: string) => string,
): string {
  const say = (one: ConditionDocument): string => conditionInWords(one, labelOf, wordsOf);
  if ('all' in when) return when.all.map(say).join(texts.andJoint);
  if ('any' in when) return when.any.map(say).join(texts.orJoint);
  if ('not' in when)
    return 'field' in when.not && when.not.is === null
      ? texts.hasAValue(labelOf(when.not.field))
      : texts.not(say(when.not));
  const { field, is } = when;
  const values = (Array.isArray(is) ? is : [is]).map((value: unknown) =>
    value === null
      ? texts.empty
      : wordsOf(field, value === true ? 'yes' : value === false ? 'no' : String(value)),
  );
  return texts.followedByIs(labelOf(field), values.join(texts.orJoint));
}

/**
 * The choices of a field are in its plan. A field nobody has touched may have a value that is not among them.
 */
export function valuesOf({
  plan,
  kind,
}: HydratedField): readonly (readonly [value: string, words: string])[] {
  const { options } = plan as { readonly options?: readonly Offer[] };
  if (!options) return [];
  const untouched = kind.value(plan, kind.empty(plan));
  const offered = options.map(({ value, label }) => [value, label] as const);
  return untouched === null || options.some(({ value }) => value === untouched)
    ? offered
    : [...offered, [untouched, untouched]];
}

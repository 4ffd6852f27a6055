import type { Plan } from '../field/compiled.ts';
import { valueTypes as boxes } from './boxes/value-types.ts';
import { valueTypes as choice } from './choice/value-types.ts';
import { valueTypes as choices } from './choices/value-types.ts';
import type { Alphabet } from './contract/alphabet.ts';
import type { ValueForm } from './contract/value-form.ts';
import type { ValueTypes } from './contract/value-types.ts';
import { valueTypes as custom } from './custom/value-types.ts';
import { valueTypes as date } from './date/value-types.ts';
import { valueTypes as dateTime } from './date-time/value-types.ts';
import { valueTypes as duration } from './duration/value-types.ts';
import { valueTypes as number } from './number/value-types.ts';
import { valueTypes as pattern } from './pattern/value-types.ts';
import { valueTypes as phone } from './phone/value-types.ts';
import type { KindName } from './registry.ts';
import { valueTypes as text } from './text/value-types.ts';
import { valueTypes as time } from './time/value-types.ts';
import { valueTypes as yesNo } from './yes-no/value-types.ts';

export { type Alphabet, endOf } from './contract/alphabet.ts';
export { type JsonForm, numbersIn } from './contract/value-form.ts';

/**
 * Value types by kind. Separate from `registry.ts`, because no screen needs it. The compiler requires an
 * entry for each kind.
 */
const kinds = {
  pattern,
  text,
  number,
  currency: number,
  percent: number,
  date,
  time,
  'date-time': dateTime,
  duration,
  phone,
  pin: boxes,
  'one-time-code': boxes,
  choice,
  choices,
  'yes-no': yesNo,
  custom,
} satisfies Readonly<Record<KindName, ValueTypes<never>>>;

/** The value types of a field, by its plan. */
export interface KnownOf {
  readonly values: ValueForm;
  readonly typedForm: string | undefined;
  readonly alphabet: Alphabet | undefined;
}

/**
 * What is known of the values of a field with this plan. `own` is for a kind that does not come with this
 * package; without it nothing is known of such a kind.
 *
 * @example
 * const { type } = valueTypesOf(pass.plan).values;
 */
export function valueTypesOf(plan: Plan, own?: ValueTypes): KnownOf {
  const known = Object.hasOwn(kinds, plan.kind)
    ? // Each is asked about plans of its own kind alone, by whose name it was found.
      (kinds[plan.kind as KindName] as ValueTypes<never>)
    : (own as ValueTypes<never> | undefined);
  if (!known)
    return {
      values: { type: 'string', beyond: 'what its kind refuses' },
      typedForm: undefined,
      alphabet: undefined,
    };
  return {
    values: known.values(plan as never),
    typedForm: known.typedForm?.(plan as never),
    alphabet: known.alphabet?.(plan as never),
  };
}

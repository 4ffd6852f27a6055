import type { Plan } from '../../field/compiled.ts';
import type { Alphabet } from './alphabet.ts';
import type { ValueForm } from './value-form.ts';

/**
 * What is known of the values of a kind, for types, schemas and pages without scripts. Separate from its
 * definition: no screen carries it.
 */
export interface ValueTypes<P extends Plan = Plan> {
  /** The typed values that fields with this plan can have. */
  values(plan: P): ValueForm;
  /**
   * A regular expression (ECMAScript, flags `u` and `v`) for the texts that the field would accept whole from
   * somebody who types without help. The closer the better; absent, any text.
   */
  typedForm?(plan: P): string;
  /** The characters its fields distinguish, if it is worth visiting all texts made of them. */
  alphabet?(plan: P): Alphabet;
}

import type { Plan } from '../../field/compiled.ts';
import type { Alphabet } from './alphabet.ts';
import type { ValueForm } from './value-form.ts';

/** What is known of the values of a kind, for types, schemas and pages without scripts. Apart from its definition: no screen carries it. */
export interface ValueTypes<P extends Plan = Plan> {
  /** The typed values its fields can have. */
  values(plan: P): ValueForm;
  /**
   * An expression (ECMAScript, flags `u` and `v`) that every text matches as a whole which the field would take whole from somebody who
   * types it without being helped; the closer it is, the better. Any text, where it says nothing.
   */
  typedForm?(plan: P): string;
  /** The characters its fields tell apart, where it is worth going through the texts they make. */
  alphabet?(plan: P): Alphabet;
}

import type { Condition } from '../rules/condition.ts';
import type { Rule } from '../rules/rule.ts';
import type { Appearance } from './appearance.ts';

/** The compiled definition of a kind: plain data. `kind` is its name. Each kind's `run.ts` extends it. */
export interface Plan {
  readonly kind: string;
}

/** A compiled field: all that running, checking and binding need. It is JSON and can be stored and sent. */
export interface CompiledField<P extends Plan = Plan> {
  readonly id: string;
  /** Its key in records and `FormData`, if that is not the id: see `fieldName`. */
  readonly name?: string;
  readonly label: string;
  readonly hint: string;
  readonly placeholder: string;
  readonly locale: string;
  /** The language of its messages and of the words drawn beside it (BCP 47), if that is not the locale. */
  readonly language?: string;
  /** The raw value at the start and after a reset. */
  readonly initial: string;
  readonly html: Readonly<Record<string, string | boolean>>;
  readonly messages: 'first' | 'all';
  readonly rules: readonly Rule[];
  /** Words that components draw beside it, such as “Show” beside a hidden text. */
  readonly words?: Readonly<Record<string, string>>;
  /** How it is drawn in a hand-off. */
  readonly look?: Appearance | undefined;
  /** Id of the field whose value it shows and changes, in its own way. */
  readonly sameValueAs?: string;
  /** The field counts in its form only while this condition holds. */
  readonly when?: Condition | undefined;
  readonly plan: P;
}

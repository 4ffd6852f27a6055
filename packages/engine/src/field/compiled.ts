import type { Condition } from '../rules/condition.ts';
import type { Rule } from '../rules/rule.ts';
import type { Appearance } from './appearance.ts';

/** A kind's compiled definition, plain data through and through; `kind` tells whose it is. Each kind's `run.ts` has its own. */
export interface Plan {
  readonly kind: string;
}

/** A field, compiled: everything that running and checking need, and what the binding puts on the page. JSON: it can be stored and sent. */
export interface CompiledField<P extends Plan = Plan> {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly placeholder: string;
  readonly locale: string;
  /** Raw value the field starts with and returns to on reset. */
  readonly initial: string;
  readonly html: Readonly<Record<string, string | boolean>>;
  readonly messages: 'first' | 'all';
  readonly rules: readonly Rule[];
  /** How it is drawn where it is taken home. */
  readonly look?: Appearance | undefined;
  /** In a form it counts only while this holds. */
  readonly when?: Condition | undefined;
  readonly plan: P;
}

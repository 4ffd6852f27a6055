import type { CompiledChecks } from './compiled-checks.ts';
import type { Condition } from './condition.ts';

/** When the message of a rule may first be shown (`docs/contract/rules.md`). */
export type ShowWhen = 'at-once' | 'leave' | 'submit';

/** What a rule checks, ready to run. */
export type Check = CompiledChecks[keyof CompiledChecks];

/** A rule, ready to run. */
export interface Rule {
  readonly id: string;
  readonly check: Check;
  /** Message of the rule, with `{name}` for message data. */
  readonly say?: string | undefined;
  /** Default messages by code. */
  readonly words?: Readonly<Record<string, string>>;
  readonly code?: string | undefined;
  readonly show: ShowWhen;
  readonly severity: 'error' | 'warning';
  /** The rule counts only while this holds. */
  readonly when?: Condition | undefined;
  /** Ids of other fields that its check reads. */
  readonly reads?: readonly string[] | undefined;
  /** It removes the values it refuses. */
  readonly clears?: true | undefined;
}

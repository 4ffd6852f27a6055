import type { CompiledChecks } from './compiled-checks.ts';
import type { Condition } from './condition.ts';

/** When a message may first be seen. See `rules/show.ts`. */
export type ShowWhen = 'at-once' | 'leave' | 'submit';

/** What a rule checks, ready to run. */
export type Check = CompiledChecks[keyof CompiledChecks];

/** A rule, ready to run. */
export interface Rule {
  readonly id: string;
  readonly check: Check;
  /** Own wording, with `{name}` where message data goes. */
  readonly say?: string | undefined;
  /** What it says otherwise, by code. */
  readonly words?: Readonly<Record<string, string>>;
  readonly code?: string | undefined;
  readonly show: ShowWhen;
  readonly severity: 'error' | 'warning';
  /** It counts only while this holds. */
  readonly when?: Condition | undefined;
  /** Other fields that its check reads, by id. */
  readonly reads?: readonly string[] | undefined;
  /** What it refuses is taken out of the field. */
  readonly clears?: true | undefined;
}

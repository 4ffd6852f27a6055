import type { Finding } from '../rules/finding.ts';

/** Typed values by id of the field: `null` for one that is left empty, nothing for one that does not count. */
export type Values = Readonly<Record<string, string | null | undefined>>;

/**
 * What a form sends: of each field that counts its typed value, and beside it raw and what was found out about it. `V` are its values, where
 * its declaration knows them.
 */
export interface FormRecord<V extends Values = Values> {
  readonly values: V;
  readonly raw: Readonly<Record<string, string>>;
  /** By id of the field, by name; only of fields that have any. */
  readonly facts: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** How sending stands: not begun, waiting for answers, under way, done. */
export type Sending =
  /**
   * `wrong`: the first field that held the last submit back; `failed`: the server could not be reached; `said`: what it said of the record
   * as a whole.
   */
  | { readonly is: 'no'; readonly wrong?: string; readonly failed?: true; readonly said?: string }
  | { readonly is: 'waiting' }
  | { readonly is: 'sending' | 'sent'; readonly record: FormRecord };

/** What a server said of a field, and the raw value it was about. */
export interface ServerFinding {
  readonly raw: string;
  readonly finding: Finding;
}

import type { Finding } from '../rules/finding.ts';

/** Typed values by name of the field: `null` for an empty field, absent for one that does not count. */
export type Values = Readonly<Record<string, string | null | undefined>>;

/**
 * What a form sends: typed and raw values of the fields that count, and facts about them. `V` are its values
 * if its declaration knows them.
 */
export interface FormRecord<V extends Values = Values> {
  readonly values: V;
  readonly raw: Readonly<Record<string, string>>;
  /** By name of the field, then by name of the fact; only for fields with facts. */
  readonly facts: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** The state of submitting: not begun, waiting for checks, under way, done. */
export type Sending =
  /**
   * `wrong`: the first field that held the last submit back. `failed`: the server could not be reached.
   * `said`: its message about the whole record.
   */
  | { readonly is: 'no'; readonly wrong?: string; readonly failed?: true; readonly said?: string }
  | { readonly is: 'waiting' }
  | { readonly is: 'sending' | 'sent'; readonly record: FormRecord };

/** A server's finding about a field and the raw value it is about. */
export interface ServerFinding {
  readonly raw: string;
  readonly finding: Finding;
}

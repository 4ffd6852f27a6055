import type { Automaton } from './automaton-data.ts';
import type { Comparison } from './comparison.ts';

/**
 * Checks ready to run, by type. A check that does not come with this package is added by declaration merging,
 * so that its validator is typed.
 */
export interface CompiledChecks {
  required: { readonly type: 'required' };
  complete: { readonly type: 'complete' };
  length: { readonly type: 'length'; readonly min?: number; readonly max?: number };
  matches: { readonly type: 'matches'; readonly pattern: string; readonly automaton: Automaton };
  in: { readonly type: 'in'; readonly values: readonly string[] };
  'not-in': { readonly type: 'not-in'; readonly values: readonly string[] };
  /**
   * `rotate`: number of first characters that are read last (ISO 13616 moves the first four of an IBAN to the
   * end).
   */
  checksum: {
    readonly type: 'checksum';
    readonly scheme: 'luhn' | 'mod97' | 'mod11';
    readonly over?: 'content' | 'text' | 'compact';
    readonly rotate?: number;
  };
  /**
   * Limits in the kind's raw form: decimals, ISO 8601 dates and times, whole minutes. Dates may be relative:
   * `today+18m`.
   */
  range: { readonly type: 'range'; readonly min?: string; readonly max?: string; readonly step?: string };
  'not-trivial': { readonly type: 'not-trivial' };
  /** The value compared with another field's. `days`: how many, for the two comparisons that count days. */
  compare: {
    readonly type: 'compare';
    readonly op: Comparison;
    readonly field: string;
    readonly days?: number;
    /** The order of the two values: as decimals, or as ISO 8601 texts. */
    readonly by: 'number' | 'text';
  };
  /**
   * The developer's code (ECMAScript module with a default function), run in a sandbox. `with`: ids of the
   * fields it gets.
   */
  custom: { readonly type: 'custom'; readonly code: string; readonly with: readonly string[] };
  /**
   * A question to a server: its path, the time limit in milliseconds, when it is asked, and the ids of the
   * fields it gets.
   */
  remote: {
    readonly type: 'remote';
    readonly ask: string;
    readonly timeout: number;
    readonly on: 'leave' | 'pause';
    readonly with: readonly string[];
  };
}

import type { Condition } from './condition.ts';

/** When a message may first be seen. See `rules/show.ts`. */
export type ShowWhen = 'at-once' | 'leave' | 'submit';

/**
 * Checks ready to run, by type. A check that does not come with this package is added by declaration merging, so that its
 * validator is typed.
 */
export interface CompiledChecks {
  required: { readonly type: 'required' };
  complete: { readonly type: 'complete' };
  length: { readonly type: 'length'; readonly min?: number; readonly max?: number };
  matches: { readonly type: 'matches'; readonly pattern: string; readonly automaton: Automaton };
  in: { readonly type: 'in'; readonly values: readonly string[] };
  'not-in': { readonly type: 'not-in'; readonly values: readonly string[] };
  /** `rotate`: so many first characters are read last (ISO 13616 moves the first four of an IBAN behind the rest). */
  checksum: {
    readonly type: 'checksum';
    readonly scheme: 'luhn' | 'mod97' | 'mod11';
    readonly rotate?: number;
  };
  /** Bounds in the kind's raw form: decimals, ISO 8601 dates and times, whole minutes. Dates may be relative: `today+18m`. */
  range: { readonly type: 'range'; readonly min?: string; readonly max?: string; readonly step?: string };
  'not-trivial': { readonly type: 'not-trivial' };
  /** The value against another field's. `days`: how many, of the two that count days. */
  compare: {
    readonly type: 'compare';
    readonly op: Comparison;
    readonly field: string;
    readonly days?: number;
    /** How the two are ordered: as decimals, or as texts of ISO 8601. */
    readonly by: 'number' | 'text';
  };
  /** The developer's own code (ECMAScript module with a default function), run in a sandbox. `with`: the fields it is given. */
  custom: { readonly type: 'custom'; readonly code: string; readonly with: readonly string[] };
  /** A question to a server: its path, how long to wait in milliseconds, when it is put, and the fields that go with it. */
  remote: {
    readonly type: 'remote';
    readonly ask: string;
    readonly timeout: number;
    readonly on: 'leave' | 'pause';
    readonly with: readonly string[];
  };
}

/** What a rule checks, ready to run. */
export type Check = CompiledChecks[keyof CompiledChecks];

/** What a value is to be against another: the same or not, later or earlier, more or less, so many days apart. */
export type Comparison =
  | 'same'
  | 'differs'
  | 'after'
  | 'not-before'
  | 'before'
  | 'not-after'
  | 'above'
  | 'below'
  | 'at-most-days'
  | 'at-least-days';

/**
 * A regular expression as data: `nodes` refer to each other by index, `root` is the whole. Written by
 * `compile/expression.ts`, walked by `rules/automaton.ts`.
 */
export interface Automaton {
  readonly nodes: readonly ExpressionNode[];
  readonly root: number;
}

/** A piece of an expression, which refers to others by their index. */
export type ExpressionNode =
  | { readonly op: 'nothing' }
  | { readonly op: 'empty' }
  /** One code point: in one of the ranges or with one of the Unicode properties (`L`, `^Nd`), or `negated` none. */
  | {
      readonly op: 'one';
      readonly ranges: readonly number[];
      readonly properties?: readonly string[];
      readonly negated?: boolean;
    }
  | { readonly op: 'sequence' | 'either' | 'both'; readonly a: number; readonly b: number }
  | { readonly op: 'not' | 'many'; readonly a: number }
  | { readonly op: 'counted'; readonly a: number; readonly min: number; readonly max: number };

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

import type { BoxesPlan } from './boxes.ts';
import type { DatePlan } from './date.ts';
import type { DurationPlan } from './duration.ts';
import type { NumberPlan } from './number.ts';
import type { PhonePlan } from './phone.ts';
import type { TextPlan } from './text.ts';
import type { TimePlan } from './time.ts';

/** What `compile` hands to `run`: plain data, JSON through and through, so that it can be stored and sent. */

/** A set of characters: one of the built-in classes, or code point ranges as flat pairs `[from, to, from, to]`. */
export type CharacterSet = 'digit' | 'letter' | 'latin' | 'alnum' | 'any' | readonly number[];

/** A stretch of like cells: what one pair of angle brackets stands for. */
export interface Part {
  readonly takes: 'set' | 'number' | 'words';
  /** Index of the part's first cell, and how many cells it has. */
  readonly first: number;
  readonly size: number;
  /** How many of its cells must be filled for the part to be complete. */
  readonly min: number;
  /** Index of the innermost stretch it stands in, -1 for none. */
  readonly stretch: number;
  readonly set?: CharacterSet;
  readonly manner?: 'upper' | 'lower';
  /** Bounds of a numeric part, both `size` ASCII digits, inclusive. */
  readonly low?: string;
  readonly high?: string;
  readonly words?: readonly string[];
}

/** An optional stretch: the cells `first` up to but not including `end`. It exists once one of them is filled. */
export interface Stretch {
  readonly first: number;
  readonly end: number;
}

/** Fixed text that stands only while its stretch exists. */
export interface Segment {
  readonly text: string;
  readonly stretch: number;
}

/** The fixed text before a cell: a string, or segments where some of it belongs to optional stretches. */
export type FixedText = string | readonly Segment[];

/** A pattern, ready to run. */
export interface PatternPlan {
  readonly kind: 'pattern';
  readonly positions: 'flow' | 'fixed';
  readonly literals: 'behind' | 'ahead';
  readonly filler: string;
  readonly raw: 'content' | 'text';
  readonly ghost: boolean;
  readonly parts: readonly Part[];
  readonly stretches: readonly Stretch[];
  /** For each cell the index of its part. */
  readonly cells: readonly number[];
  /** The fixed text before each cell; one more at the end for what follows the last. */
  readonly before: readonly FixedText[];
}

/** Any kind's compiled definition; `kind` tells which. */
export type Plan =
  | PatternPlan
  | TextPlan
  | BoxesPlan
  | NumberPlan
  | DatePlan
  | TimePlan
  | DurationPlan
  | PhonePlan;

/** When a message may first be seen. See `rules/show.ts`. */
export type Moment = 'at-once' | 'leave' | 'submit';

export type Check =
  | { readonly type: 'required' }
  | { readonly type: 'complete' }
  | { readonly type: 'length'; readonly min?: number; readonly max?: number }
  | { readonly type: 'matches'; readonly pattern: string; readonly automaton: Automaton }
  | { readonly type: 'in' | 'not-in'; readonly values: readonly string[] }
  /** `rotate`: so many first characters are read last (ISO 13616 moves the first four of an IBAN behind the rest). */
  | { readonly type: 'checksum'; readonly scheme: 'luhn' | 'mod97' | 'mod11'; readonly rotate?: number }
  /** Bounds in the kind's raw form: decimals, ISO 8601 dates and times, whole minutes. Dates may be relative: `today+18m`. */
  | { readonly type: 'range'; readonly min?: string; readonly max?: string; readonly step?: string }
  | { readonly type: 'not-trivial' };

/**
 * A regular expression as data: `nodes` refer to each other by index, `root` is the whole. Written by
 * `compile/expression.ts`, walked by `rules/automaton.ts`.
 */
export interface Automaton {
  readonly nodes: readonly ExpressionNode[];
  readonly root: number;
}

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

export interface Rule {
  readonly id: string;
  readonly check: Check;
  /** Own wording, with `{name}` where message data goes. */
  readonly say?: string;
  readonly code?: string;
  readonly show: Moment;
  readonly severity: 'error' | 'warning';
}

/** A field, compiled: everything `run` and `rules` need, and what the binding puts on the page. */
export interface CompiledField {
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
  readonly plan: Plan;
}

/** A field by pattern, where that is known. */
export type PatternField = CompiledField & { readonly plan: PatternPlan };

/** A form, compiled. */
export interface CompiledForm {
  readonly id: string;
  readonly title: string;
  readonly fields: readonly CompiledField[];
}

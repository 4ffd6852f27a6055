/**
 * A regular expression as data: `nodes` refer to each other by index, `root` is the whole. Written by
 * `rules/expression.ts`, read by `rules/automaton.ts`.
 */
export interface Automaton {
  readonly nodes: readonly ExpressionNode[];
  readonly root: number;
}

/** A node of an expression. Nodes refer to each other by index. */
export type ExpressionNode =
  | { readonly op: 'nothing' }
  | { readonly op: 'empty' }
  /**
   * One code point: in one of the ranges or with one of the Unicode properties (`L`, `^Nd`); in none of them
   * if `negated`.
   */
  | {
      readonly op: 'one';
      readonly ranges: readonly number[];
      readonly properties?: readonly string[];
      readonly negated?: boolean;
    }
  | { readonly op: 'sequence' | 'either' | 'both'; readonly a: number; readonly b: number }
  | { readonly op: 'not' | 'many'; readonly a: number }
  | { readonly op: 'counted'; readonly a: number; readonly min: number; readonly max: number };

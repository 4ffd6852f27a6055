import type { Taking } from '../editing/takes.ts';

/** A run of equal cells: what one pair of angle brackets stands for. */
export interface Part extends Taking {
  /** Index of the part's first cell, and its number of cells. */
  readonly first: number;
  readonly size: number;
  /** How many of its cells must be filled for the part to be complete. */
  readonly min: number;
  /** Index of the innermost stretch around it, -1 for none. */
  readonly stretch: number;
  /** Bounds of a numeric part, both `size` ASCII digits, inclusive. */
  readonly low?: string;
  readonly high?: string;
  readonly words?: readonly string[];
}

/**
 * An optional stretch: the cells from `first` up to but not including `end`. It is displayed once one of them
 * is filled.
 */
export interface Stretch {
  readonly first: number;
  readonly end: number;
}

/** Fixed text that is displayed only with its stretch. */
export interface Segment {
  readonly text: string;
  readonly stretch: number;
}

/** The fixed text before a cell: a string, or segments if some of it belongs to optional stretches. */
export type FixedText = string | readonly Segment[];

/** A pattern, ready to run. */
export interface PatternPlan {
  readonly kind: 'pattern';
  readonly positions: 'flow' | 'fixed';
  readonly literals: 'behind' | 'ahead';
  readonly filler: string;
  /** How much of the fixed text is in the raw value: none, all, or its letters and digits. */
  readonly raw: 'content' | 'text' | 'compact';
  readonly ghost: boolean;
  readonly parts: readonly Part[];
  readonly stretches: readonly Stretch[];
  /** For each cell the index of its part. */
  readonly cells: readonly number[];
  /** The fixed text before each cell; the last entry is the text after the last cell. */
  readonly before: readonly FixedText[];
  /**
   * All patterns of a list, in order; absent if there is one pattern alone. The other members are then those
   * of the first.
   */
  readonly alternatives?: readonly PatternPlan[];
}

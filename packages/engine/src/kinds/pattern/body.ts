import type { EditResult as EditedOf, TextState } from '../../field/text-state.ts';
import type { Cells } from './cells.ts';

/**
 * Fixed text that the user typed after the content. It is displayed for that reason and removed when content
 * follows.
 */
export interface Passed {
  /** The cell after it; everything between the content and that cell is closed. */
  readonly cell: number;
  /** How much of it is displayed, in UTF-16 units. */
  readonly shown: number;
}

/**
 * The text state of a pattern field. `display` and `at` follow from `cells` and `passed` alone, never from
 * earlier states (law 1).
 */
export interface PatternBody extends TextState {
  readonly cells: Cells;
  readonly passed: Passed | undefined;
  /** Letters that word completion added and that the user may still type over. They change nothing. */
  readonly owed: string;
  /** Index of the last filled cell, -1 if empty. */
  readonly last: number;
  /** For each cell the offset in `display` where its character is or would be. */
  readonly at: readonly number[];
  /**
   * Of several patterns the index of the one that lays out the content, absent for the first; -1 if none
   * accepts it, so that it is shown as it is.
   */
  readonly which?: number;
}

export type Edited = EditedOf<PatternBody>;

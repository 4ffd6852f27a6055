import type { EditResult as EditedOf, TextState } from '../../field/text-state.ts';
import type { Cells } from './cells.ts';

/** Fixed text the user typed behind the content: it shows because of that, and goes when content follows. */
export interface Passed {
  /** The cell it stands before; everything between the content and that cell is closed. */
  readonly cell: number;
  /** How much of it shows, in UTF-16 units. */
  readonly shown: number;
}

/**
 * What a pattern field holds, laid out. `display` and `at` follow from `cells` and `passed` alone, never from
 * the way there (law 1).
 */
export interface PatternBody extends TextState {
  readonly cells: Cells;
  readonly passed: Passed | undefined;
  /** Letters that completing a word brought and the user may still type over it; they change nothing. */
  readonly owed: string;
  /** Index of the last filled cell, -1 when empty. */
  readonly last: number;
  /** For each cell the offset in `display` where its character stands or would stand. */
  readonly at: readonly number[];
}

export type Edited = EditedOf<PatternBody>;

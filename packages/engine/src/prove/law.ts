import type { Action } from '../tape/script.ts';

/**
 * The laws of a field (`docs/contract/laws.md`). As functions each looks at what an event made of a state, or
 * at a state however it came about, and says where it does not hold (`laws-of-steps.ts`,
 * `laws-of-states.ts`). Where one asks something else of a kind, the kind says so itself (`exemptions.ts`).
 */

/** Number of a law (`docs/contract/laws.md`). */
export type Law = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9 | 10 | 11 | 12;

/**
 * What each law asks, as a sentence (`docs/contract/laws.md`).
 *
 * @example
 * const sentence: string = lawWords[4];
 */
export const lawWords: Readonly<Record<Law, string>> = {
  1: 'The display depends only on the content, not on how it was entered.',
  2: 'Pasting what is shown into the empty field gives the same again.',
  3: 'An accepted character ends up directly to the left of the caret.',
  4: 'Backspace removes exactly one character, across any fixed text, and never gets stuck.',
  5: 'After a deletion the caret stays where it was, or as near as it can.',
  6: 'No silent loss: input that does not fit is reported and displaces nothing.',
  7: 'Undo brings back text and caret exactly, and redo what was undone.',
  8: 'Typing and pasting the same text give the same result.',
  9: 'A verdict follows from the value alone, never from the way there.',
  10: 'No message for unfinished input while the user types for the first time.',
  11: 'Whatever comes in, nothing breaks, and there is no value or a well-formed one.',
  12: 'A raw value can be written back and stays the same (round trip).',
};

/** A broken law: what it expects and what was found. */
export interface Breach {
  readonly law: Law;
  readonly expected: string;
  readonly found: string;
  /** Actions that show it, if the step alone does not. */
  readonly further?: readonly Action[];
}

/** The empty set of laws. */
export const noLaws: ReadonlySet<Law> = new Set();

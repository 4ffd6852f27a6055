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
  1: 'What is shown follows from what was typed, never from the way there.',
  2: 'Pasting what is shown into the empty field gives the same again.',
  3: 'A character that was taken stands directly left of the caret.',
  4: 'A backspace takes exactly one character, whatever fixed text is between, and is never stuck.',
  5: 'After a deletion the caret stays where it was, or as near as it can.',
  6: 'Nothing is lost without a word: what cannot be taken is told, and pushes nothing out.',
  7: 'Undo brings back text and caret exactly, and redo what was undone.',
  8: 'Typed key by key or pasted at once, it comes to the same.',
  9: 'A verdict follows from the value alone, never from the way there.',
  10: 'Nothing unfinished is complained of while somebody types for the first time.',
  11: 'Whatever comes in, nothing breaks, and there is no value or a well-formed one.',
  12: 'What was handed on can be written back and stays what it was.',
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

import type { Said } from './say.ts';

/** A mistake in something a developer wrote: where it is, what is wrong, and a way out. */
export interface Fault {
  /** 0-based offsets in UTF-16 units of its start and end. */
  readonly at: number;
  readonly end: number;
  /** 1-based, in characters. */
  readonly column: number;
  /** It stays the same when the message is reworded. */
  readonly code: string;
  /** What is wrong, and what was expected instead. */
  readonly message: string;
  /** What to write instead, if there is a likely answer. */
  readonly suggestion?: string;
}

export function fault(text: string, at: number, end: number, said: Said, suggestion?: string): Fault {
  const column = [...text.slice(0, at)].length + 1;
  return suggestion === undefined ? { at, end, column, ...said } : { at, end, column, ...said, suggestion };
}

/**
 * The known word nearest to a misspelt one, if it is near enough to be meant.
 *
 * @example
 * nearest('digt', ['digit', 'letter']); // 'digit'
 */
export function nearest(word: string, known: Iterable<string>): string | undefined {
  if (word.length > 40) return undefined;
  let best: string | undefined;
  let least = Math.max(2, Math.floor(word.length / 2)) + 1;
  for (const candidate of known) {
    const steps = distance(word.toLowerCase(), candidate.toLowerCase());
    // A word with every letter replaced is another word.
    if (steps < Math.min(least, Math.max(word.length, candidate.length))) [best, least] = [candidate, steps];
  }
  return best;
}

/** Insertions, deletions and replacements between two words (Levenshtein distance). */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next.push(Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1)));
    row = next;
  }
  return row[b.length]!;
}

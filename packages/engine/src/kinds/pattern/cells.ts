import type { Reason } from '../../field/text-state.ts';
import { taken } from '../editing/takes.ts';
import { hasFixed, hasNumbers, hasStretches, hasVarying, hasWords } from './features.ts';
import type { Part, PatternPlan } from './plan.ts';

/** One entry per cell: its character, or '' for an empty cell. */
export type Cells = readonly string[];

/**
 * The part that a cell belongs to.
 *
 * @example
 * const part = (plan: PatternPlan) => partOf(plan, 0);
 */
export const partOf = (plan: PatternPlan, cell: number): Part => plan.parts[plan.cells[cell]!]!;

/** Whether a stretch is displayed: one of its cells is filled. Everything outside stretches (-1) is. */
export function exists(plan: PatternPlan, cells: Cells, stretch: number): boolean {
  if (!hasStretches || stretch < 0) return true;
  const { first, end } = plan.stretches[stretch]!;
  for (let i = first; i < end; i++) if (cells[i]) return true;
  return false;
}

/**
 * Whether an empty cell may stay empty: it is beyond its part's minimum, or in a stretch that is not filled.
 */
export function mayStayBlank(plan: PatternPlan, cells: Cells, cell: number): boolean {
  const part = partOf(plan, cell);
  return (hasVarying && cell - part.first >= part.min) || !exists(plan, cells, part.stretch);
}

/**
 * The character as the cell would hold it, given the rest of its part in `cells` (the cell itself is read as
 * that character), or the reason it cannot.
 */
export function fit(plan: PatternPlan, cells: Cells, cell: number, character: string): Fit {
  const part = partOf(plan, cell);
  const as = taken(part, character);
  // In fixed positions the filler displays an empty cell and a space is its raw value, so no cell can hold
  // them.
  const isBlank = hasFixed && plan.positions === 'fixed' && (as === plan.filler || as === ' ');
  if (isBlank || as === undefined) return 'not-accepted';
  if (part.takes === 'set' || (!hasNumbers && !hasWords)) return { as };
  const stands = cells.slice(part.first, part.first + part.size);
  stands[cell - part.first] = as;
  if (hasNumbers && part.takes === 'number')
    return inBounds(stands, part.low!, part.high!) ? { as } : 'out-of-bounds';
  if (!hasWords) return { as };
  const word = wordFor(stands, part.words!);
  return word === undefined ? 'not-accepted' : { as: [...word][cell - part.first]! };
}
export type Fit = { readonly as: string } | Reason;

/**
 * Whether digits with gaps can still become a number from `low` to `high`, all three of the same length.
 * Reads left to right and keeps which of the four ways (free, on the lower bound, on the upper, on both) are
 * still possible.
 */
export function inBounds(digits: Cells, low: string, high: string): boolean {
  let ways = 8;
  for (let i = 0; i < low.length && ways; i++) {
    const l = low.charCodeAt(i) - 48;
    const h = high.charCodeAt(i) - 48;
    const given = digits[i];
    let next = 0;
    for (let d = given ? +given : 0, last = given ? +given : 9; d <= last; d++) {
      if (ways & 1) next |= 1;
      if (ways & 2 && d >= l) next |= d === l ? 2 : 1;
      if (ways & 4 && d <= h) next |= d === h ? 4 : 1;
      if (ways & 8 && d >= l && d <= h) next |= d === l ? (d === h ? 8 : 2) : d === h ? 4 : 1;
    }
    ways = next;
  }
  return ways > 0;
}

const lettersOf = new WeakMap<readonly string[], readonly (readonly string[])[]>();

/** The first word that matches the filled cells, ignoring case. */
export function wordFor(filled: Cells, words: readonly string[]): string | undefined {
  let letters = lettersOf.get(words);
  if (!letters) {
    letters = words.map((word) => [...word].map((c) => c.toLowerCase()));
    lettersOf.set(words, letters);
  }
  const wanted = filled.map((c) => c.toLowerCase());
  const at = letters.findIndex((word) => wanted.every((c, i) => !c || word[i] === c));
  return words[at];
}

/**
 * Writes a moved character into `cells[cell]` in that cell's case. Returns `false` and changes nothing if the
 * cell does not accept it.
 */
export function move(plan: PatternPlan, cells: string[], cell: number, character: string): boolean {
  const as = fit(plan, cells, cell, character);
  if (typeof as === 'string') return false;
  cells[cell] = as.as;
  return true;
}

/** How many cells of a part are filled. */
function filledOf(part: Part, cells: Cells): number {
  let filled = 0;
  for (let i = part.first; i < part.first + part.size; i++) if (cells[i]) filled++;
  return filled;
}

/** Whether nothing is missing: the field is not empty, and every part that is displayed has its minimum. */
export function isComplete(plan: PatternPlan, cells: Cells): boolean {
  let any = false;
  for (const part of plan.parts) {
    const filled = filledOf(part, cells);
    if (filled < part.min || (hasWords && part.takes === 'words')) {
      if (filled === 0 && !exists(plan, cells, part.stretch)) continue;
      if (filled < part.min) return false;
      if (hasWords && !part.words!.includes(cells.slice(part.first, part.first + part.size).join('')))
        return false;
    }
    if (filled > 0) any = true;
    // In fixed positions the leading cells of a part are required, not just as many.
    if (hasFixed && plan.positions === 'fixed' && filled > 0)
      for (let i = part.first; i < part.first + part.min; i++) if (!cells[i]) return false;
  }
  return any;
}

import type { Reason } from '../../field/text-state.ts';
import type { Edited, PatternBody } from './body.ts';
import { type Cells, exists, fit, mayStayBlank, move, partOf } from './cells.ts';
import { hasAhead, hasFixed, hasStretches, hasVarying, hasWords } from './features.ts';
import { indexIn, lay, textBefore, written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/** A caret position among the cells. */
interface Place {
  /** The filled cell left of the caret, -1 for none. */
  readonly left: number;
  /** The filled cell right of the caret; the number of cells for none. */
  readonly right: number;
  /** The first cell between them at or after the caret: where typing goes. */
  readonly next: number;
}

export function placeOf(body: PatternBody, caret: number): Place {
  const { cells, at, last } = body;
  const count = cells.length;
  let left = last;
  while (left >= 0 && (!cells[left] || at[left]! >= caret)) left--;
  let right = left + 1;
  if (left === last) right = count;
  else while (right < count && !cells[right]) right++;
  let next = left + 1;
  while (next < right && at[next]! < caret) next++;
  if (next === count && right === count) next = left + 1;
  return { left, right, next };
}

/**
 * Inserts one character at the caret: into a cell, over fixed text, or rejects it with a reason. Tries in
 * this order: the fixed text (or the word just completed) that is being typed; the cell at the caret; fixed
 * text to type over; a later cell, past cells that may stay empty; a gap that an earlier deletion left before
 * the caret. If all reject the character, the reason is that of the cell at the caret.
 */
export function insertOne(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  character: string,
): Edited | Reason {
  const onWord = hasWords ? overWord(plan, body, caret, character) : undefined;
  if (onWord) return onWord;
  if (hasFixed && plan.positions === 'fixed') return overwriteOne(plan, body, caret, character);
  const place = placeOf(body, caret);
  const run = typeOn(plan, body, caret, place, character);
  if (run) return run;
  const direct = enter(plan, body, place, place.next, character);
  if (typeof direct !== 'string') return direct;
  const over = passOver(plan, body, caret, place, character);
  if (over) return over;
  for (let cell = place.next; cell < place.right && mayStayBlank(plan, body.cells, cell); cell++) {
    const further = enter(plan, body, place, cell + 1, character);
    if (typeof further !== 'string') return further;
  }
  // Only a gap with content after it: what the user closed at the end stays closed.
  for (let cell = place.left + 1; cell < place.next && place.right < body.cells.length; cell++) {
    const before = enter(plan, body, place, cell, character);
    if (typeof before !== 'string') return before;
  }
  return direct;
}

/** Types letters that word completion already added. They change nothing. */
function overWord(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  character: string,
): Edited | undefined {
  const { owed, cells, at } = body;
  const next = owed && [...owed][0]!;
  if (!next || next.toLowerCase() !== character.toLowerCase()) return undefined;
  const left = hasFixed && plan.positions === 'fixed' ? cellEndingAt(body, caret) : placeOf(body, caret).left;
  if (left < 0 || partOf(plan, left).takes !== 'words') return undefined;
  if (caret < at[left]! + cells[left]!.length) return undefined;
  return { body: lay(plan, cells, body.passed, owed.slice(next.length)), caret };
}

/** The last filled cell whose character ends at or before the caret; -1 for none. */
function cellEndingAt({ cells, at }: PatternBody, caret: number): number {
  let cell = cells.length - 1;
  while (cell >= 0 && !(cells[cell] && at[cell]! + cells[cell]!.length <= caret)) cell--;
  return cell;
}

/**
 * Types the next character of a fixed text that is partly typed: it is after the content, or the caret is
 * inside it. Spaces in it may be left out. The character goes to the text even if a cell would accept it.
 */
function typeOn(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  { left, right }: Place,
  character: string,
): Edited | undefined {
  const { cells, at, display, passed } = body;
  if (passed && caret === display.length) {
    const text = textBefore(plan, cells, passed.cell);
    const end = nextIn(text, passed.shown, character);
    return end < 0 ? undefined : shownTo(plan, body, passed.cell, end);
  }
  const from = left >= 0 ? at[left]! + cells[left]!.length : 0;
  if (caret <= from) return undefined;
  const until = right < cells.length ? at[right]! : display.length;
  const end = nextIn(display.slice(0, until), caret, character);
  return end < 0 ? undefined : { body, caret: end };
}

/**
 * Where a text continues after its next character from an offset on, spaces skipped, if `character` is that
 * one; otherwise -1.
 */
export function nextIn(text: string, from: number, character: string): number {
  const at = indexIn(text, character, from);
  return at >= 0 && text.slice(from, at).trim() === '' ? at + character.length : -1;
}

/** The state with the fixed text before a cell displayed up to an offset, because it was typed. */
function shownTo(plan: PatternPlan, body: PatternBody, cell: number, shown: number): Edited {
  const laid = lay(plan, body.cells, { cell, shown });
  return { body: laid, caret: laid.display.length };
}

/** Writes the character into an empty cell, or makes room for it before the filled one. */
function enter(
  plan: PatternPlan,
  body: PatternBody,
  place: Place,
  cell: number,
  character: string,
): Edited | Reason {
  if (cell >= body.cells.length) return 'full';
  if (cell < place.right) {
    const filled = fill(plan, body.cells, cell, character);
    return typeof filled === 'string' ? filled : laidAfter(plan, filled, body.passed);
  }
  const cells = makeRoom(plan, body, cell, character);
  return typeof cells === 'string' ? cells : laidAfter(plan, { cells, end: cell, owed: '' }, body.passed);
}

/** Cells with a character added, the last cell it filled, and what word completion added after it. */
interface Filled {
  readonly cells: Cells;
  readonly end: number;
  readonly owed: string;
}

function laidAfter(plan: PatternPlan, { cells, end, owed }: Filled, passed: PatternBody['passed']): Edited {
  const laid = lay(plan, cells, passed, owed);
  return { body: laid, caret: caretAfter(plan, laid, end) };
}

function fill(plan: PatternPlan, cells: Cells, cell: number, character: string): Filled | Reason {
  const as = fit(plan, cells, cell, character);
  if (typeof as === 'string') return as;
  const filled = cells.slice();
  filled[cell] = as.as;
  return completed(plan, filled, cell);
}

/** Completes a word as soon as its letters are the beginning of no other. */
export function completed(plan: PatternPlan, cells: string[], cell: number): Filled {
  const { takes, first, size, words } = partOf(plan, cell);
  const plain: Filled = { cells, end: cell, owed: '' };
  if (!hasWords || takes !== 'words' || cells.slice(cell + 1, first + size).some(Boolean)) return plain;
  const typed = cells.slice(first, cell + 1);
  if (typed.includes('')) return plain;
  const meant = words!.filter((word) => word.startsWith(typed.join('')));
  if (meant.length !== 1) return plain;
  const letters = [...meant[0]!];
  for (let i = typed.length; i < letters.length; i++) cells[first + i] = letters[i]!;
  return { cells, end: first + letters.length - 1, owed: letters.slice(typed.length).join('') };
}

/**
 * Shifts the characters from `cell` on to the right, up to the first empty cell, and writes `character`
 * before them. A character that does not fit its new cell stays, and so does everything to its right: then
 * there is no room. Nor is there beyond the edge of an optional stretch.
 */
function makeRoom(plan: PatternPlan, body: PatternBody, cell: number, character: string): Cells | Reason {
  const { cells } = body;
  const emptied = blanked(cells, cell, cells.length);
  const as = fit(plan, emptied, cell, character);
  if (typeof as === 'string') return as;
  let blank = cell;
  const { stretch } = partOf(plan, cell);
  const isInside = (at: number): boolean => !hasStretches || partOf(plan, at).stretch === stretch;
  while (blank < cells.length && cells[blank] && isInside(blank)) blank++;
  if (blank === cells.length || !isInside(blank)) return 'full';
  const shifted = cells.slice();
  for (let i = cell; i <= blank; i++) shifted[i] = '';
  shifted[cell] = as.as;
  // Cells right of the gap stay, and a shared part must accept them too: `move` checks the whole part.
  if (!move(plan, shifted, cell, character)) return 'out-of-bounds';
  for (let i = cell + 1; i <= blank; i++) if (!move(plan, shifted, i, cells[i - 1]!)) return 'full';
  return shifted;
}

function blanked(cells: Cells, from: number, end: number): string[] {
  const copy = cells.slice();
  for (let i = from; i < end; i++) copy[i] = '';
  return copy;
}

/**
 * The caret after `cell` accepted a character: directly after it; with `ahead`, after the fixed text that
 * follows a full part.
 */
function caretAfter(plan: PatternPlan, body: PatternBody, cell: number): number {
  const after = body.at[cell]! + body.cells[cell]!.length;
  if (!hasAhead || plan.literals === 'behind') return after;
  const part = partOf(plan, cell);
  if (cell < part.first + part.size - 1) return after;
  if (cell + 1 < body.cells.length) return body.at[cell + 1]!;
  return body.complete ? body.display.length : after;
}

/**
 * A fixed character the user typed. If it is right of the caret, the caret passes it. After the content it is
 * displayed from then on, with the fixed text before it, and closes a part that may end there. If the caret
 * is already directly after it, nothing changes.
 */
function passOver(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  place: Place,
  character: string,
): Edited | undefined {
  const { cells, at, display, passed } = body;
  const { left, right, next } = place;
  const standsUntil = right < cells.length ? at[right]! : display.length;
  const ahead = indexIn(display.slice(caret, standsUntil), character);
  if (ahead >= 0) return { body, caret: caret + ahead + character.length };
  const standsFrom = left >= 0 ? at[left]! + cells[left]!.length : 0;

  if (hasVarying && left >= 0 && right < cells.length && right === left + 1) {
    const split = closePart(plan, body, left, character);
    if (split) return split;
  }
  if (right === cells.length)
    for (let cell = next; cell <= cells.length; cell++) {
      const isNext = cell === next && cell < cells.length && at[cell]! > standsFrom && !passed;
      const isShown = isNext || (cell === cells.length && body.complete);
      const from = passed?.cell === cell ? passed.shown : 0;
      const found = isShown ? -1 : indexIn(textBefore(plan, cells, cell), character, from);
      if (found >= 0) return shownTo(plan, body, cell, found + character.length);
      if (cell === cells.length || !mayStayBlank(plan, cells, cell)) break;
    }
  return indexIn(display.slice(standsFrom, caret), character) >= 0 ? { body, caret } : undefined;
}

/** Ends a part of varying length between two of its characters: what follows moves behind the fixed text. */
function closePart(
  plan: PatternPlan,
  body: PatternBody,
  left: number,
  character: string,
): Edited | undefined {
  const { cells } = body;
  const part = partOf(plan, left);
  const end = part.first + part.size;
  const kept = left + 1 - part.first;
  if (left + 1 >= end || part.takes !== 'set' || kept < part.min) return undefined;
  if (indexIn(written(plan.before[end]!), character) < 0) return undefined;
  const moved = blanked(cells, left + 1, cells.length);
  let cell = end;
  for (let i = left + 1; i < cells.length; i++) {
    if (!cells[i]) continue;
    while (cell < cells.length && !move(plan, moved, cell, cells[i]!)) {
      if (!mayStayBlank(plan, moved, cell)) return undefined;
      cell++;
    }
    if (cell++ >= cells.length) return undefined;
  }
  const laid = lay(plan, moved, undefined);
  return { body: laid, caret: laid.at[end]! };
}

/**
 * Types one character in fixed positions. It replaces the content of the cell at the caret. A space leaves
 * an optional cell empty; the filler passes any empty cell. Fixed text is passed, also from a part that may
 * end here.
 */
function overwriteOne(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  character: string,
): Edited | Reason {
  const { cells, at, display } = body;
  const count = cells.length;
  let next = 0;
  while (next < count && at[next]! < caret) next++;
  let seen = next;
  while (seen < count && !takesRoom(plan, cells, seen)) seen++;

  // The filler passes an empty cell of any part, and empties only one that may stay empty.
  const canBlank = seen < count && mayStayBlank(plan, cells, seen);
  const blanks =
    character === plan.filler ? seen === count || !cells[seen] || canBlank : character === ' ' && canBlank;
  let refusal: Reason = 'full';
  if (!blanks && next < count) {
    // Cells of a stretch that is not filled take no space: if one rejects the character, the next is tried.
    for (let cell = next; cell < count; cell++) {
      const filled = fill(plan, cells, cell, character);
      if (typeof filled !== 'string') return laidAfter(plan, filled, undefined);
      if (cell === next) refusal = filled;
      // Optional cells are passed by a character that fits further on.
      if (takesRoom(plan, cells, cell) && (cells[cell] || !mayStayBlank(plan, cells, cell))) break;
    }
  }
  const standsUntil = next < count ? at[next]! : display.length;
  const ahead = indexIn(display.slice(caret, standsUntil), character);
  if (ahead >= 0) return { body, caret: caret + ahead + character.length };
  if (blanks && seen < count) {
    const laid = cells[seen] ? lay(plan, blanked(cells, seen, seen + 1), undefined) : body;
    return {
      body: laid,
      caret: laid.at[seen]! + (takesRoom(plan, laid.cells, seen) ? plan.filler.length : 0),
    };
  }
  for (let cell = next; cell < count && cells[cell] === '' && mayStayBlank(plan, cells, cell); cell++) {
    const end = at[cell]! + (takesRoom(plan, cells, cell) ? plan.filler.length : 0);
    const over = indexIn(display.slice(end, at[cell + 1] ?? display.length), character);
    if (over >= 0) return { body, caret: end + over + character.length };
  }
  let left = next - 1;
  while (left >= 0 && at[left] === caret) left--;
  const standsFrom = left >= 0 ? at[left]! + (cells[left] || plan.filler).length : 0;
  return indexIn(display.slice(standsFrom, caret), character) >= 0 ? { body, caret } : refusal;
}

/** Whether a cell takes space in the display: it is in no stretch, or in one that is displayed. */
const takesRoom = (plan: PatternPlan, cells: Cells, cell: number): boolean =>
  exists(plan, cells, partOf(plan, cell).stretch);

import { type Cells, exists, fit, mayStayBlank, move, partOf, type Reason } from './cells.ts';
import type { Edited as EditedOf } from './kind.ts';
import { lay, type PatternBody, standing, written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

export type Edited = EditedOf<PatternBody>;

/** Where a caret stands among the cells. */
interface Place {
  /** The filled cell left of the caret, -1 for none. */
  readonly left: number;
  /** The filled cell right of the caret, the number of cells for none. */
  readonly right: number;
  /** The first cell between them that stands at or after the caret: where typing goes. */
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
 * One character at the caret: into a cell, over fixed text, or refused with a reason. The first of these that
 * works: the cell at the caret; fixed text typed over; a cell further on, past cells that may stay blank; a gap
 * that an earlier deletion left before the caret. When all refuse, the cell at the caret says why.
 */
export function insertOne(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  character: string,
): Edited | Reason {
  if (plan.positions === 'fixed') return overwriteOne(plan, body, caret, character);
  const place = placeOf(body, caret);
  const direct = enter(plan, body, place, place.next, character);
  if (typeof direct !== 'string') return direct;
  const over = passOver(plan, body, caret, place, character);
  if (over) return over;
  for (let cell = place.next; cell < place.right && mayStayBlank(plan, body.cells, cell); cell++) {
    const further = enter(plan, body, place, cell + 1, character);
    if (typeof further !== 'string') return further;
  }
  // Only a gap with content behind it: what the user closed by hand at the end stays closed.
  for (let cell = place.left + 1; cell < place.next && place.right < body.cells.length; cell++) {
    const before = enter(plan, body, place, cell, character);
    if (typeof before !== 'string') return before;
  }
  return direct;
}

/** Puts the character into a blank cell, or makes room for it before the filled one. */
function enter(
  plan: PatternPlan,
  body: PatternBody,
  place: Place,
  cell: number,
  character: string,
): Edited | Reason {
  if (cell >= body.cells.length) return 'full';
  const cells =
    cell < place.right ? fill(plan, body.cells, cell, character) : makeRoom(plan, body, cell, character);
  if (typeof cells === 'string') return cells;
  const laid = lay(plan, cells, body.passed);
  return { body: laid, caret: caretAfter(plan, laid, cell) };
}

function fill(plan: PatternPlan, cells: Cells, cell: number, character: string): Cells | Reason {
  const as = fit(plan, cells, cell, character);
  if (typeof as === 'string') return as;
  const filled = cells.slice();
  filled[cell] = as.as;
  return filled;
}

/**
 * Shifts the characters from `cell` on to the right, up to the first blank, and puts `character` before them.
 * A character that does not fit the cell it would move to stays, and with it everything right of it: then there
 * is no room.
 */
function makeRoom(plan: PatternPlan, body: PatternBody, cell: number, character: string): Cells | Reason {
  const { cells } = body;
  const emptied = blanked(cells, cell, cells.length);
  const as = fit(plan, emptied, cell, character);
  if (typeof as === 'string') return as;
  let blank = cell;
  while (blank < cells.length && cells[blank]) blank++;
  if (blank === cells.length) return 'full';
  const shifted = cells.slice();
  for (let i = cell; i <= blank; i++) shifted[i] = '';
  shifted[cell] = as.as;
  // Cells right of the blank stay, so a part that they share must hold with them too: `move` looks at all of it.
  if (!move(plan, shifted, cell, character)) return 'out-of-bounds';
  for (let i = cell + 1; i <= blank; i++) if (!move(plan, shifted, i, cells[i - 1]!)) return 'full';
  return shifted;
}

export function blanked(cells: Cells, from: number, end: number): string[] {
  const copy = cells.slice();
  for (let i = from; i < end; i++) copy[i] = '';
  return copy;
}

/**
 * Where the caret stands once `cell` took a character: right after it; with `ahead`, past the fixed text that
 * follows a full part.
 */
function caretAfter(plan: PatternPlan, body: PatternBody, cell: number): number {
  const after = body.at[cell]! + body.cells[cell]!.length;
  if (plan.literals === 'behind') return after;
  const part = partOf(plan, cell);
  if (cell < part.first + part.size - 1) return after;
  if (cell + 1 < body.cells.length) return body.at[cell + 1]!;
  return body.complete ? body.display.length : after;
}

/**
 * A fixed character the user typed: the caret passes it where it stands right of the caret, closes the part
 * where it may end there, and is left where the character is the one it already stands behind.
 */
function passOver(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  place: Place,
  character: string,
): Edited | undefined {
  const { cells, at, display } = body;
  const { left, right, next } = place;
  const standsUntil = right < cells.length ? at[right]! : display.length;
  const ahead = display.slice(caret, standsUntil).indexOf(character);
  if (ahead >= 0) return { body, caret: caret + ahead + character.length };
  const standsFrom = left >= 0 ? at[left]! + cells[left]!.length : 0;

  if (left >= 0 && right < cells.length && right === left + 1) {
    const split = closePart(plan, body, left, character);
    if (split) return split;
  }
  if (right === cells.length) {
    for (let cell = next; cell <= cells.length; cell++) {
      const shown = cell === next && cell < cells.length && at[cell]! > standsFrom;
      if (!shown && written(plan.before[cell]!).includes(character)) {
        // Only what the user has really cut short needs remembering; a full part ends by itself.
        const ends = cell > left + 1 && left >= 0 && cell < cells.length;
        if (!ends || !standing(plan, cells, plan.before[cell]!).includes(character)) return { body, caret };
        const laid = lay(plan, cells, cell);
        return { body: laid, caret: laid.at[cell]! };
      }
      if (cell === cells.length || !mayStayBlank(plan, cells, cell)) break;
    }
  }
  return display.slice(standsFrom, caret).includes(character) ? { body, caret } : undefined;
}

/** Ends a part of varying length between two of its characters: what follows moves on behind the fixed text. */
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
  if (!written(plan.before[end]!).includes(character)) return undefined;
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
  const laid = lay(plan, moved, 0);
  return { body: laid, caret: laid.at[end]! };
}

/**
 * One character in fixed positions. It goes into the cell at the caret, over whatever is there. A space leaves
 * an optional cell blank, the filler any cell; fixed text is passed, also from a part that may end here.
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

  const blanks =
    character === plan.filler || (character === ' ' && seen < count && mayStayBlank(plan, cells, seen));
  let refusal: Reason = 'full';
  if (!blanks && next < count) {
    // Cells of a stretch not typed into take no room: one that refuses lets the next cell have its turn.
    for (let cell = next; cell < count; cell++) {
      const filled = fill(plan, cells, cell, character);
      if (typeof filled !== 'string') {
        const laid = lay(plan, filled, 0);
        return { body: laid, caret: caretAfter(plan, laid, cell) };
      }
      if (cell === next) refusal = filled;
      if (takesRoom(plan, cells, cell)) break;
    }
  }
  const standsUntil = next < count ? at[next]! : display.length;
  const ahead = display.slice(caret, standsUntil).indexOf(character);
  if (ahead >= 0) return { body, caret: caret + ahead + character.length };
  if (blanks && seen < count) {
    const laid = cells[seen] ? lay(plan, blanked(cells, seen, seen + 1), 0) : body;
    return {
      body: laid,
      caret: laid.at[seen]! + (takesRoom(plan, laid.cells, seen) ? plan.filler.length : 0),
    };
  }
  for (let cell = next; cell < count && cells[cell] === '' && mayStayBlank(plan, cells, cell); cell++) {
    const end = at[cell]! + (takesRoom(plan, cells, cell) ? plan.filler.length : 0);
    const over = display.slice(end, at[cell + 1] ?? display.length).indexOf(character);
    if (over >= 0) return { body, caret: end + over + character.length };
  }
  let left = next - 1;
  while (left >= 0 && at[left] === caret) left--;
  const standsFrom = left >= 0 ? at[left]! + (cells[left] || plan.filler).length : 0;
  return display.slice(standsFrom, caret).includes(character) ? { body, caret } : refusal;
}

/** Whether a cell takes room on the line: it is in no stretch, or in one that exists. */
const takesRoom = (plan: PatternPlan, cells: Cells, cell: number): boolean =>
  exists(plan, cells, partOf(plan, cell).stretch);

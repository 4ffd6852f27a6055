import { itemAt } from '../../values/item-at.ts';
import type { Edited, PatternBody } from './body.ts';
import { type Cells, fit, partOf } from './cells.ts';
import { hasFixed, hasMany, hasStretches } from './features.ts';
import { placeOf } from './insert.ts';
import { contentEnd, lay } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/** Indices of the filled cells whose characters are in the display range. */
function cellsIn(body: PatternBody, start: number, end: number): number[] {
  const found: number[] = [];
  for (let i = 0; i <= body.last; i++)
    if (body.cells[i] && itemAt(body.at, i) >= start && itemAt(body.at, i) < end) found.push(i);
  return found;
}

/** The filled cell directly left (or right) of the caret, ignoring fixed text between; none at the ends. */
export function cellBeside(body: PatternBody, caret: number, side: 'left' | 'right'): number[] {
  const { left, right } = placeOf(body, caret);
  if (side === 'left') return left < 0 ? [] : [left];
  return right < body.cells.length ? [right] : [];
}

/** Removes a selection: its content, and typed fixed text after the content that it reaches into. */
export function clear(plan: PatternPlan, body: PatternBody, start: number, end: number): Edited {
  const cleared = erase(plan, body, cellsIn(body, start, end), start);
  if (start >= end || end <= contentEnd(body)) return cleared;
  return withoutPassed(plan, cleared.body, cleared.caret) ?? cleared;
}

/** Removes the fixed text that was typed after the content; `undefined` if there is none. */
export function withoutPassed(plan: PatternPlan, body: PatternBody, caret: number): Edited | undefined {
  if (!body.passed) return undefined;
  return { body: lay(plan, body.cells, undefined), caret: Math.min(caret, contentEnd(body)) };
}

const wordly = /[\p{L}\p{N}\p{M}_]/u;

/**
 * The cells of the word left of the caret. The word begins where a part begins, or after a character that is
 * not part of a word.
 */
export function wordLeft(plan: PatternPlan, body: PatternBody, caret: number): number[] {
  const found: number[] = [];
  let cell = placeOf(body, caret).left;
  while (cell >= 0 && body.cells[cell] && !wordly.test(itemAt(body.cells, cell))) found.unshift(cell--);
  const part = plan.cells[cell];
  while (
    cell >= 0 &&
    plan.cells[cell] === part &&
    (!body.cells[cell] || wordly.test(itemAt(body.cells, cell)))
  ) {
    if (body.cells[cell]) found.unshift(cell);
    cell--;
  }
  return found;
}

/**
 * Removes the characters of `cells` (ascending). In flow the rest closes up; in fixed positions the cells
 * stay empty. The caret moves as little as possible (law 5): to where the removed text began, or nowhere if
 * it was further left, and it is kept between its neighbours.
 */
export function erase(plan: PatternPlan, body: PatternBody, cells: readonly number[], caret: number): Edited {
  const first = cells[0];
  if (first === undefined) return { body, caret };
  const aim = Math.min(caret, itemAt(body.at, first));
  let rest: Cells = body.cells;
  if (hasFixed && plan.positions === 'fixed') rest = rest.map((c, i) => (cells.includes(i) ? '' : c));
  else if (cells.at(-1) === body.last && cells.length === body.last - first + 1)
    rest = rest.map((c, i) => (i < first ? c : ''));
  else
    rest =
      (hasMany ? shifted(plan, rest, cells, body.last) : undefined) ??
      cells.toReversed().reduce<Cells>((left, cell) => closeUp(plan, left, cell), rest);
  const tailGone = cells.at(-1) === body.last;
  const laid = lay(plan, rest, tailGone ? undefined : body.passed);
  return { body: laid, caret: hold(laid, first, aim) };
}

/**
 * Removes several cells in a row from one part of equal cells. The rest moves left at once, which gives the
 * same result faster.
 */
function shifted(plan: PatternPlan, cells: Cells, freed: readonly number[], last: number): Cells | undefined {
  const first = itemAt(freed, 0);
  const isRow = freed.length > 1 && freed.at(-1) === first + freed.length - 1;
  const part = partOf(plan, first);
  if (
    !isRow ||
    part.takes !== 'set' ||
    part !== partOf(plan, last) ||
    cells.slice(first, last + 1).includes('')
  )
    return undefined;
  const by = freed.length;
  return cells.map((c, i) => (i < first ? c : i + by <= last ? itemAt(cells, i + by) : i <= last ? '' : c));
}

/**
 * Moves the rest left into the freed cell, one by one, until an empty cell, the edge of an optional stretch,
 * or a character that would not fit its new cell: it stays, and so does everything to its right. A part that
 * is too short keeps its end that way.
 */
function closeUp(plan: PatternPlan, cells: Cells, freed: number): Cells {
  const closed = cells.slice();
  let cell = freed;
  closed[cell] = '';
  for (; cell + 1 < cells.length && cells[cell + 1]; cell++) {
    if (hasStretches && partOf(plan, cell).stretch !== partOf(plan, cell + 1).stretch) break;
    const moving = itemAt(cells, cell + 1);
    closed[cell + 1] = '';
    const as = fit(plan, closed, cell, moving);
    if (typeof as === 'string') {
      closed[cell + 1] = moving;
      break;
    }
    closed[cell] = as.as;
  }
  return closed;
}

/** The offset nearest to `aim` between the character before `cell` and that of `cell`. */
function hold(body: PatternBody, cell: number, aim: number): number {
  const { cells, at, last, display } = body;
  let left = cell - 1;
  while (left >= 0 && !cells[left]) left--;
  let right = cell;
  while (right <= last && !cells[right]) right++;
  const low = left >= 0 ? itemAt(at, left) + itemAt(cells, left).length : 0;
  const high = right <= last ? itemAt(at, right) : display.length;
  return Math.max(low, Math.min(aim, high));
}

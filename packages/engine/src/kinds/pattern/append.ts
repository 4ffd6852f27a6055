import type { Reason } from '../../field/text-state.ts';
import { worthTelling } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { taken } from '../editing/takes.ts';
import type { Edited, PatternBody } from './body.ts';
import { type Cells, fit, mayStayBlank, partOf } from './cells.ts';
import { completed, nextIn } from './insert.ts';
import { indexIn, lay, standing, textBefore, written } from './layout.ts';
import type { Part, PatternPlan } from './plan.ts';

/**
 * Appends many characters without laying out the field after each one. A paste of two thousand characters
 * took half a second that way and takes a few milliseconds this way. It reports what `insertOne` would report
 * for each character, which a test verifies, and returns the rest where it cannot know: text after a complete
 * pattern.
 */
export interface Appended extends Edited {
  /** How many characters were handled. */
  readonly count: number;
  readonly leftOut: string;
  /** Letters and digits that matched fixed text. */
  readonly met: string;
  readonly refusal: Reason | null;
  readonly taken: boolean;
}

/** Whether the characters of a plan can be appended this way. */
export const isAppendable = (plan: PatternPlan, body: PatternBody, caret: number): boolean =>
  plan.positions === 'flow' &&
  (plan.literals === 'behind' || plan.stretches.length === 0) &&
  !body.passed &&
  !body.owed &&
  !body.complete &&
  caret === body.display.length;

interface Known {
  /** Every character of every fixed text, in lower case. */
  readonly fixed: ReadonlySet<string>;
  /** One part of each kind. */
  readonly parts: readonly Part[];
}
const knownOf = new WeakMap<PatternPlan, Known>();

/**
 * Whether no cell and no fixed text of the pattern accepts a character, so that nothing needs to be searched
 * for it.
 */
function isUseless(plan: PatternPlan, character: string): boolean {
  let known = knownOf.get(plan);
  if (!known) {
    const sort = ({ takes, set, manner }: Part): string => `${takes} ${set} ${manner}`;
    const parts = new Map(plan.parts.map((part) => [sort(part), part]));
    const fixed = new Set([...plan.before.map(written).join('').toLowerCase()]);
    known = { fixed, parts: [...parts.values()] };
    knownOf.set(plan, known);
  }
  const isFixed = [...character.toLowerCase()].some((c) => known.fixed.has(c));
  return !isFixed && known.parts.every((part) => taken(part, character) === undefined);
}

/** What the characters so far have led to. */
interface Progress {
  readonly cells: string[];
  /** The next cell, and the last one that was filled. */
  cell: number;
  last: number;
  /** How much of the fixed text before that cell was typed. */
  over: number;
  owed: string;
  leftOut: string;
  met: string;
  refusal: Reason | null;
  taken: boolean;
}

function put(plan: PatternPlan, now: Progress, cell: number, as: string): void {
  now.cells[cell] = as;
  ({ end: now.last, owed: now.owed } = completed(plan, now.cells, cell));
  now.cell = now.last + 1;
  now.over = 0;
  now.taken = true;
}

function leaveOut(now: Progress, character: string, reason: Reason): void {
  if (!worthTelling.test(character)) return;
  now.leftOut += character;
  now.refusal = reason;
}

function meet(now: Progress, character: string): void {
  if (worthTelling.test(character)) now.met += character;
}

/**
 * Takes a character that continues what has begun: the letters of a word completed by its first ones, or a
 * fixed text.
 */
function goesOn(plan: PatternPlan, now: Progress, character: string): boolean {
  const brought = now.owed && [...now.owed][0]!;
  if (brought && brought.toLowerCase() === character.toLowerCase()) now.owed = now.owed.slice(brought.length);
  else {
    const text = now.over > 0 ? textBefore(plan, now.cells, now.cell) : '';
    const next = text ? nextIn(text, now.over, character) : -1;
    if (next < 0) return false;
    now.over = next;
  }
  meet(now, character);
  now.taken = true;
  return true;
}

/** Appends one character; `false` if `insertOne` has to handle it instead. */
function appendOne(plan: PatternPlan, now: Progress, character: string): boolean {
  if (goesOn(plan, now, character)) return true;
  const direct = fit(plan, now.cells, now.cell, character);
  if (typeof direct !== 'string') put(plan, now, now.cell, direct.as);
  else if (isUseless(plan, character)) leaveOut(now, character, direct);
  else {
    const passed = passedBy(plan, now, character);
    if (passed === undefined) return false;
    if (passed) {
      meet(now, character);
      if (passed[0] !== now.cell || passed[1] !== now.over) {
        now.taken = true;
        now.owed = '';
      }
      [now.cell, now.over] = passed;
      // After the last cell, the typed fixed text is counted there.
      return now.cell < now.cells.length;
    }
    const further = fitFurther(plan, now.cells, now.cell, character);
    if (further) put(plan, now, ...further);
    else leaveOut(now, character, direct);
  }
  return true;
}

export function append(
  plan: PatternPlan,
  body: PatternBody,
  characters: readonly string[],
  from = 0,
): Appended {
  const { last } = body;
  const cells = body.cells.slice();
  const now: Progress = {
    cells, cell: last + 1, last, over: 0, owed: '', leftOut: '', met: '', refusal: null, taken: false,
  }; // biome-ignore format: a list
  let count = 0;
  // Text after the last cell of a complete pattern is left to `insertOne`.
  for (let i = from; i < characters.length; i++) {
    if (now.cell >= cells.length || !appendOne(plan, now, itemAt(characters, i))) break;
    count++;
  }
  const { cell, over, owed, leftOut, met, refusal, taken } = now;
  // A closed end or a complete pattern is laid out as it would be after the key that led there.
  const laid = lay(plan, cells, over > 0 ? { cell, shown: over } : undefined, owed);
  const caret = over > 0 ? laid.display.length : caretBehind(plan, laid);
  return { body: laid, caret, count, leftOut, met, refusal, taken };
}

/**
 * In fixed positions, characters fill one cell after the other. A character that may mean something else
 * there ends the loop.
 */
function overwrite(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  characters: readonly string[],
  from: number,
): Omit<Appended, 'met'> {
  const cells = body.cells.slice();
  let cell = 0;
  while (cell < cells.length && itemAt(body.at, cell) < caret) cell++;
  let leftOut = '';
  let refusal: Reason | null = null;
  let last = -1;
  let count = 0;
  for (let i = from; i < characters.length; i++) {
    const character = itemAt(characters, i);
    if (cell >= cells.length || character === ' ' || character === plan.filler) break;
    const fitted = fit(plan, cells, cell, character);
    if (typeof fitted !== 'string') {
      last = cell;
      cells[cell++] = fitted.as;
    } else {
      // Certainly rejected: no fixed text is before the cell, and it must not be passed.
      const isRefused = plan.before[cell] === '' && (cells[cell] !== '' || !mayStayBlank(plan, cells, cell));
      if (!isRefused || last < 0) break;
      if (worthTelling.test(character)) {
        leftOut += character;
        refusal = fitted;
      }
    }
    count++;
  }
  if (last < 0) return { body, caret, count: 0, leftOut: '', refusal: null, taken: false };
  const laid = lay(plan, cells, undefined);
  return { body: laid, caret: caretBehind(plan, { ...laid, last }), count, leftOut, refusal, taken: true };
}

/** Whether a plan in fixed positions can be overwritten this way. */
const isOverwritable = (plan: PatternPlan, body: PatternBody): boolean =>
  plan.positions === 'fixed' &&
  plan.stretches.length === 0 &&
  !body.owed &&
  plan.parts.every((part) => part.takes !== 'words');

/**
 * The fixed text that a character types over: the cell after it and how much of it is displayed; `null` if no
 * fixed text has the character, `undefined` if it is after the last cell.
 */
function passedBy(
  plan: PatternPlan,
  { cells, cell, last, over }: Progress,
  character: string,
): [cell: number, over: number] | null | undefined {
  const text = (at: number): string => textBefore(plan, cells, at);
  const isShown = (at: number): boolean =>
    plan.literals === 'ahead' && at === last + 1 && isPartFull(plan, last) && over === 0;
  let at = cell;
  for (; at < cells.length; at++) {
    const found = isShown(at) ? -1 : indexIn(text(at), character, at === cell ? over : 0);
    if (found >= 0) return [at, found + character.length];
    if (!mayStayBlank(plan, cells, at)) break;
  }
  if (at === cells.length && indexIn(text(at), character) >= 0) return undefined;
  // The fixed character just placed left of the caret, and those before it.
  let placed = isShown(cell) ? text(cell) : text(cell).slice(0, over);
  for (let i = last + 1; i < cell; i++) placed += standing(plan, cells, itemAt(plan.before, i));
  return indexIn(placed, character) >= 0 ? [cell, over] : null;
}

function fitFurther(
  plan: PatternPlan,
  cells: Cells,
  cell: number,
  character: string,
): [number, string] | undefined {
  for (let at = cell; at + 1 < cells.length && mayStayBlank(plan, cells, at); at++) {
    const fitted = fit(plan, cells, at + 1, character);
    if (typeof fitted !== 'string') return [at + 1, fitted.as];
  }
  return undefined;
}

function isPartFull(plan: PatternPlan, last: number): boolean {
  if (last < 0) return false;
  const { first, size } = partOf(plan, last);
  return last === first + size - 1;
}

/** The offset after the last character; with `ahead`, after the fixed text that follows a full part. */
function caretBehind(plan: PatternPlan, { last, at, cells, display, complete }: PatternBody): number {
  if (last < 0) return 0;
  const after = itemAt(at, last) + itemAt(cells, last).length;
  if (plan.literals === 'behind' || !isPartFull(plan, last)) return after;
  if (last + 1 < cells.length) return itemAt(at, last + 1);
  return complete ? display.length : after;
}

/**
 * Handles as many of the characters from an index on as it can, as if they came one by one; `undefined` if it
 * does not apply. Called for each character that is left, so it must not copy the rest of them.
 */
export type Bulk = (
  plan: PatternPlan,
  at: Edited,
  characters: readonly string[],
  from: number,
) => (Omit<Appended, 'met'> & { readonly met?: string }) | undefined;

/** Bulk handlers for patterns so long that laying out after each character would be noticeable. */
export const bulk: readonly Bulk[] = [
  (plan, { body, caret }, characters, from) =>
    isAppendable(plan, body, caret) ? append(plan, body, characters, from) : undefined,
  (plan, { body, caret }, characters, from) =>
    isOverwritable(plan, body) ? overwrite(plan, body, caret, characters, from) : undefined,
];

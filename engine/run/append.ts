import { type Cells, fit, mayStayBlank, partOf, type Reason } from './cells.ts';
import { worthTelling } from './graphemes.ts';
import type { Edited } from './insert.ts';
import { indexIn, lay, type PatternBody } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/**
 * Many characters behind all others, without laying the field out after each: a paste of two thousand took half a second
 * that way, and takes a few milliseconds so. It says what `insertOne` would say of each, which a test holds it to, and
 * hands the rest back where it would not know: words, optional stretches, what follows a complete pattern.
 */
export interface Appended extends Edited {
  /** How many of the characters were dealt with. */
  readonly count: number;
  readonly leftOut: string;
  /** Letters and digits that met fixed text. */
  readonly met: string;
  readonly refusal: Reason | null;
  readonly taken: boolean;
}

/** Whether a plan's characters can be dealt with that way. */
export const isAppendable = (plan: PatternPlan, body: PatternBody, caret: number): boolean =>
  plan.stretches.length === 0 &&
  plan.positions === 'flow' &&
  !body.passed &&
  !body.owed &&
  !body.complete &&
  caret === body.display.length &&
  plan.parts.every((part) => part.takes !== 'words');

export function append(plan: PatternPlan, body: PatternBody, characters: readonly string[]): Appended {
  const before = plan.before as readonly string[];
  const cells = body.cells.slice();
  const size = cells.length;
  let cell = body.last + 1;
  let last = body.last;
  /** How much of the fixed text before the cell was typed. */
  let over = 0;
  let leftOut = '';
  let met = '';
  let refusal: Reason | null = null;
  let taken = false;
  let count = 0;
  const put = (at: number, as: string): void => {
    cells[at] = as;
    last = at;
    cell = at + 1;
    over = 0;
    taken = true;
  };
  for (const character of characters) {
    // What stands behind the last cell of a complete pattern is the other way's matter.
    if (cell >= size) break;
    const text = before[cell]!;
    const next = over > 0 ? nextIn(text, over, character) : -1;
    if (next >= 0) {
      if (worthTelling.test(character)) met += character;
      over = next;
      taken = true;
      count++;
      continue;
    }
    const direct = fit(plan, cells, cell, character);
    if (typeof direct !== 'string') put(cell, direct.as);
    else {
      const passed = passedBy(plan, before, cells, cell, last, over, character);
      if (passed === undefined) break;
      if (passed) {
        if (worthTelling.test(character)) met += character;
        taken ||= passed[0] !== cell || passed[1] !== over;
        [cell, over] = passed;
        if (cell >= size) break;
      } else {
        const further = fitFurther(plan, cells, cell, character);
        if (further) put(...further);
        else if (worthTelling.test(character)) {
          leftOut += character;
          refusal = direct;
        }
      }
    }
    count++;
  }
  // A closed end or a complete pattern is laid out as it would be after the key that led there.
  const laid = lay(plan, cells, over > 0 ? { cell, shown: over } : undefined);
  return {
    body: laid,
    caret: over > 0 ? laid.display.length : caretBehind(plan, laid),
    count,
    leftOut,
    met,
    refusal,
    taken,
  };
}

/** In fixed positions characters that fit go into one cell after the other; the first that does not ends it. */
export function overwrite(
  plan: PatternPlan,
  body: PatternBody,
  caret: number,
  characters: readonly string[],
): Edited & { readonly count: number } {
  const cells = body.cells.slice();
  let cell = 0;
  while (cell < cells.length && body.at[cell]! < caret) cell++;
  let count = 0;
  for (const character of characters) {
    if (cell >= cells.length || character === ' ' || character === plan.filler) break;
    const fitted = fit(plan, cells, cell, character);
    if (typeof fitted === 'string') break;
    cells[cell++] = fitted.as;
    count++;
  }
  if (count === 0) return { body, caret, count };
  const laid = lay(plan, cells, undefined);
  return { body: laid, caret: caretBehind(plan, { ...laid, last: cell - 1 }), count };
}

/** Whether a plan in fixed positions can be written into that way. */
export const isOverwritable = (plan: PatternPlan, body: PatternBody): boolean =>
  plan.positions === 'fixed' &&
  plan.stretches.length === 0 &&
  !body.owed &&
  plan.parts.every((part) => part.takes !== 'words');

/** Where a text goes on behind its next character, blanks left out, when that is the one; else -1. */
function nextIn(text: string, from: number, character: string): number {
  const at = indexIn(text, character, from);
  return at >= 0 && text.slice(from, at).trim() === '' ? at + character.length : -1;
}

/**
 * Fixed text typed over: the cell it then stands before and how much of it shows; `null` where there is none with the
 * character, `undefined` where that would be behind the last cell.
 */
function passedBy(
  plan: PatternPlan,
  before: readonly string[],
  cells: Cells,
  cell: number,
  last: number,
  over: number,
  character: string,
): [cell: number, over: number] | null | undefined {
  const isShown = (at: number): boolean =>
    plan.literals === 'ahead' && at === last + 1 && isPartFull(plan, last) && over === 0;
  for (let at = cell; at <= cells.length; at++) {
    if (at === cells.length) return indexIn(before[at]!, character) >= 0 ? undefined : null;
    const found = isShown(at) ? -1 : indexIn(before[at]!, character, at === cell ? over : 0);
    if (found >= 0) return [at, found + character.length];
    if (!mayStayBlank(plan, cells, at)) break;
  }
  // The one just placed left of the caret.
  const placed = isShown(cell) ? before[cell]! : before[cell]!.slice(0, over);
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

/** Behind the last character; with `ahead`, past the fixed text that follows a full part. */
function caretBehind(plan: PatternPlan, { last, at, cells, display, complete }: PatternBody): number {
  if (last < 0) return 0;
  const after = at[last]! + cells[last]!.length;
  if (plan.literals === 'behind' || !isPartFull(plan, last)) return after;
  if (last + 1 < cells.length) return at[last + 1]!;
  return complete ? display.length : after;
}

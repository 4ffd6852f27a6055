import { characterAt } from '../../values/graphemes.ts';
import type { Passed, PatternBody } from './body.ts';
import { type Cells, exists, fit, mayStayBlank, partOf } from './cells.ts';
import { lay, rawOf, written } from './layout.ts';
import type { FixedText, PatternPlan } from './plan.ts';

/** How many branches a text may cost before it is given up as no display of the pattern. */
const patience = 5_000;
/** How many parts deep it may go; more than any pattern people fill in has. */
const deepest = 600;

/** What a text may be: the field's display, or its raw value. */
type Reading = 'display' | 'raw';

/**
 * Reads `text` as a display of this very pattern, fixed text and all, complete or not: the state whose display
 * it is, or `undefined` where it is none. Typing would go wrong here when a cell takes what is meant as fixed
 * text (`+44 <4 digit>` given `+44 7400`), or when a leading part is empty. A text without any fixed text is not
 * read here: there typing is right.
 */
export function align(plan: PatternPlan, text: string, as: Reading = 'display'): PatternBody | undefined {
  const blank: Cells = plan.cells.map(() => '');
  const filler = as === 'raw' ? ' ' : plan.filler;
  let left = patience;
  let depth = 0;
  return from(0, 0, blank, undefined);

  /** Tries every way to go on from `cell` with `text` from offset `at`. */
  function from(cell: number, at: number, cells: Cells, passed: Passed | undefined): PatternBody | undefined {
    if (left-- <= 0 || depth === deepest) return undefined;
    depth++;
    const found = onwards(cell, at, cells, passed);
    depth--;
    return found;
  }

  function onwards(
    cell: number,
    at: number,
    cells: Cells,
    passed: Passed | undefined,
  ): PatternBody | undefined {
    if (at === text.length || cell === plan.cells.length) {
      const laid = lay(plan, cells, passed);
      const isIt =
        as === 'raw'
          ? rawOf(plan, laid) === text
          : laid.display === text && text !== laid.content && !isCutShort(plan, laid);
      return isIt ? laid : undefined;
    }
    // Raw content has no fixed text in it.
    const ways = as === 'raw' && plan.raw === 'content' ? [''] : waysToStand(plan.before[cell]!);
    for (const fixed of ways) {
      if (!text.startsWith(fixed, at)) continue;
      const found = inCell(cell, at + fixed.length, cells, fixed ? { cell, shown: fixed.length } : passed);
      if (found) return found;
    }
    return undefined;
  }

  /** Goes on in the same part while its cells must be filled anyway: a long one is no deep search. */
  function fillOn(filled: string[], cell: number, at: number): [cell: number, at: number] {
    const part = partOf(plan, cell - 1);
    while (part.takes === 'set' && cell < part.first + part.min && at < text.length) {
      const character = characterAt(text, at);
      const fitted = fit(plan, filled, cell, character);
      if (typeof fitted === 'string' || fitted.as !== character) break;
      filled[cell++] = character;
      at += character.length;
    }
    return [cell, at];
  }

  function inCell(
    cell: number,
    at: number,
    cells: Cells,
    passed: Passed | undefined,
  ): PatternBody | undefined {
    if (at === text.length) return from(cell, at, cells, passed);
    if (plan.positions === 'fixed' && text.startsWith(filler, at)) {
      const found = from(cell + 1, at + filler.length, cells, undefined);
      if (found) return found;
    }
    const character = characterAt(text, at);
    const fitted = fit(plan, cells, cell, character);
    if (typeof fitted !== 'string' && fitted.as === character) {
      const filled = cells.slice();
      filled[cell] = character;
      const [next, end] = fillOn(filled, cell + 1, at + character.length);
      const found = from(next, end, filled, undefined);
      if (found) return found;
    }
    const { first, size, stretch } = partOf(plan, cell);
    if (!mayStayBlank(plan, cells, cell)) return undefined;
    // Trailing blanks are in no raw value; what follows the last cell is.
    if (as === 'raw' && plan.positions === 'fixed') {
      const found = from(plan.cells.length, at, cells, passed);
      if (found) return found;
    }
    // In fixed positions a blank is there to be seen, unless its stretch is not.
    if (plan.positions === 'fixed' && exists(plan, cells, stretch)) return undefined;
    return from(first + size, at, cells, passed);
  }
}

/**
 * What of a fixed text may stand: all of it, none behind the last character, or a run of its segments where
 * some belong to stretches not typed into.
 */
function waysToStand(fixed: FixedText): Set<string> {
  if (typeof fixed === 'string') return new Set([fixed, '']);
  const ways = new Set<string>();
  for (let from = 0; from <= fixed.length; from++)
    for (let end = fixed.length; end >= from; end--) ways.add(written(fixed.slice(from, end)));
  return ways;
}

/** Whether a part before the last character lacks something: a stretch skipped over and then typed into. */
function isCutShort(plan: PatternPlan, { cells, last }: PatternBody): boolean {
  return plan.parts.some(
    ({ first, size, min, stretch }) =>
      first + size <= last &&
      cells.slice(first, first + min).includes('') &&
      plan.positions === 'flow' &&
      exists(plan, cells, stretch),
  );
}

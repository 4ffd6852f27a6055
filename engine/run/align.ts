import { type Cells, exists, fit, mayStayBlank, partOf } from './cells.ts';
import { graphemes } from './graphemes.ts';
import { contentOf, lay, type PatternBody } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/** How many branches a text may cost before it is given up as no display of the pattern. */
const patience = 20_000;

/**
 * Reads `text` as a display of this very pattern, fixed text and all, complete or not: the state whose display
 * it is, or `undefined` where it is none. Typing would go wrong here when a cell takes what is meant as fixed
 * text (`+44 <4 digit>` given `+44 7400`), or when a leading part is empty. A text without any fixed text is not
 * read here: there typing is right.
 */
export function align(plan: PatternPlan, text: string): PatternBody | undefined {
  const blank: Cells = plan.cells.map(() => '');
  let left = patience;
  return from(0, 0, blank, 0);

  /** Tries every way to go on from `cell` with `text` from offset `at`. */
  function from(cell: number, at: number, cells: Cells, passed: number): PatternBody | undefined {
    if (left-- <= 0) return undefined;
    if (at === text.length || cell === plan.cells.length) {
      const laid = lay(plan, cells, passed);
      return laid.display === text && text !== contentOf(laid) && !isCutShort(plan, laid) ? laid : undefined;
    }
    const before = plan.before[cell]!;
    const segments = typeof before === 'string' ? [before] : before.map((segment) => segment.text);
    // The text before a cell stands whole or, where it belongs to a stretch not typed into, is missing whole.
    for (let from_ = 0; from_ <= segments.length; from_++)
      for (let until = segments.length; until >= from_; until--) {
        const fixed = segments.slice(from_, until).join('');
        if (!text.startsWith(fixed, at)) continue;
        const found = inCell(cell, at + fixed.length, cells, fixed ? cell : passed);
        if (found) return found;
      }
    return undefined;
  }

  function inCell(cell: number, at: number, cells: Cells, passed: number): PatternBody | undefined {
    if (at === text.length) return from(cell, at, cells, passed);
    if (plan.positions === 'fixed' && text.startsWith(plan.filler, at)) {
      const found = from(cell + 1, at + plan.filler.length, cells, 0);
      if (found) return found;
    }
    const character = characterAt(text, at);
    const as = fit(plan, cells, cell, character);
    if (typeof as !== 'string' && as.as === character) {
      const filled = cells.slice();
      filled[cell] = character;
      const found = from(cell + 1, at + character.length, filled, 0);
      if (found) return found;
    }
    const { first, size } = partOf(plan, cell);
    if (!mayStayBlank(plan, cells, cell)) return undefined;
    return from(first + size, at, cells, passed);
  }
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

/** The character at an offset. */
const characterAt = (text: string, at: number): string => graphemes(text.slice(at, at + 32))[0]!;

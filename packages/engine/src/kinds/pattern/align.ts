import { characterAt } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import type { Passed, PatternBody } from './body.ts';
import { type Cells, exists, fit, mayStayBlank, partOf } from './cells.ts';
import { hasFixed, hasStretches } from './features.ts';
import { inRaw, lay, rawOf, written } from './layout.ts';
import type { FixedText, PatternPlan } from './plan.ts';

/** Most branches tried before a text is rejected as not being a display of the pattern. */
const patience = 5_000;
/** Greatest depth in parts; real patterns have far fewer. */
const deepest = 600;

/** What is read: the field's display or its raw value. */
type Reading = 'display' | 'raw';

/** A search in progress: what is read, and how many branches are left. */
interface Search {
  readonly plan: PatternPlan;
  readonly text: string;
  readonly as: Reading;
  /** The character displayed for an empty cell that keeps its place. */
  readonly filler: string;
  left: number;
  depth: number;
}

/** How far the search has come: the next cell, the offset in the text and the cells filled so far. */
interface Reached {
  readonly cell: number;
  readonly at: number;
  readonly cells: Cells;
  readonly passed: Passed | undefined;
}

/**
 * Reads `text` as a display of exactly this pattern, fixed text included, complete or not. Returns the state
 * with that display, or `undefined`. Typing the text would go wrong where a cell accepts what is meant as
 * fixed text (`+44 <4 digit>` given `+44 7400`), or where a leading part is empty. Texts without any fixed
 * text are not read here, because typing them is right.
 */
export function align(plan: PatternPlan, text: string, as: Reading = 'display'): PatternBody | undefined {
  const filler = as === 'raw' ? ' ' : plan.filler;
  const search: Search = { plan, text, as, filler, left: patience, depth: 0 };
  return from(search, { cell: 0, at: 0, cells: plan.cells.map(() => ''), passed: undefined });
}

/** Tries every way to continue from `reached`. */
function from(search: Search, reached: Reached): PatternBody | undefined {
  if (search.left-- <= 0 || search.depth === deepest) return undefined;
  search.depth++;
  const { plan, text } = search;
  const isDone = reached.at === text.length || reached.cell === plan.cells.length;
  const found = isDone ? ended(search, reached) : onwards(search, reached);
  search.depth--;
  return found;
}

function ended({ plan, text, as }: Search, { cells, passed }: Reached): PatternBody | undefined {
  const laid = lay(plan, cells, passed);
  const isIt =
    as === 'raw'
      ? rawOf(plan, laid) === text
      : laid.display === text && text !== laid.content && !isCutShort(plan, laid);
  return isIt ? laid : undefined;
}

function onwards(search: Search, { cell, at, cells, passed }: Reached): PatternBody | undefined {
  const { plan, text, as } = search;
  const ways = waysToStand(itemAt(plan.before, cell), as === 'raw' ? plan : displayed);
  for (const [fixed, shown] of ways) {
    if (!text.startsWith(fixed, at)) continue;
    const beyond = fixed ? { cell, shown } : passed;
    const found = inCell(search, { cell, at: at + fixed.length, cells, passed: beyond });
    if (found) return found;
  }
  return undefined;
}

/**
 * Continues within a part whose cells must be filled anyway, so that a long part does not deepen the search.
 */
function fillOn({ plan, text }: Search, filled: string[], cell: number, at: number): [number, number] {
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

function inCell(search: Search, reached: Reached): PatternBody | undefined {
  const { plan, text, as, filler } = search;
  const { cell, at, cells, passed } = reached;
  if (at === text.length) return from(search, reached);
  if (hasFixed && plan.positions === 'fixed' && text.startsWith(filler, at)) {
    const found = from(search, { cell: cell + 1, at: at + filler.length, cells, passed: undefined });
    if (found) return found;
  }
  const character = characterAt(text, at);
  const fitted = fit(plan, cells, cell, character);
  if (typeof fitted !== 'string' && fitted.as === character) {
    const filled = cells.slice();
    filled[cell] = character;
    const [next, end] = fillOn(search, filled, cell + 1, at + character.length);
    const found = from(search, { cell: next, at: end, cells: filled, passed: undefined });
    if (found) return found;
  }
  const { first, size, stretch } = partOf(plan, cell);
  if (!mayStayBlank(plan, cells, cell))
    return isBeforeStretch(search, reached)
      ? from(search, { cell: first + size, at, cells, passed })
      : undefined;
  // Trailing spaces are not part of a raw value; the fixed text after the last cell is.
  if (hasFixed && as === 'raw' && plan.positions === 'fixed') {
    const found = from(search, { cell: plan.cells.length, at, cells, passed });
    if (found) return found;
  }
  // In fixed positions an empty cell is displayed if its stretch is displayed. In raw it is a space.
  if (hasFixed && plan.positions === 'fixed' && (as === 'raw' || exists(plan, cells, stretch)))
    return undefined;
  return from(search, { cell: first + size, at, cells, passed });
}

/**
 * Whether a part that a deletion left short ends here: what comes next is the fixed text of the optional
 * stretch after it.
 */
function isBeforeStretch({ plan, text, as }: Search, { cell, at, cells }: Reached): boolean {
  if (!hasStretches || plan.positions === 'fixed') return false;
  const { first, size, stretch } = partOf(plan, cell);
  const end = first + size;
  const isNext = end < plan.cells.length && partOf(plan, end).stretch >= 0 && stretch < 0;
  const standing = isNext ? written(itemAt(plan.before, end)) : '';
  const fixed = as === 'raw' ? inRaw(plan, standing) : standing;
  return fixed !== '' && cells[first] !== '' && text.startsWith(fixed, at);
}

const displayed: Pick<PatternPlan, 'raw'> = { raw: 'text' };

/**
 * How a fixed text may be written, with how much of it is displayed then: all of it, none after the last
 * character, or a run of its segments if some belong to stretches that are not filled.
 */
function waysToStand(fixed: FixedText, by: Pick<PatternPlan, 'raw'>): ReadonlyMap<string, number> {
  if (!hasStretches || typeof fixed === 'string') {
    const text = fixed as string;
    return new Map([
      [inRaw(by, text), text.length],
      ['', 0],
    ]);
  }
  const ways = new Map<string, number>();
  for (let from = 0; from <= fixed.length; from++)
    for (let end = fixed.length; end >= from; end--) {
      const text = written(fixed.slice(from, end));
      const way = inRaw(by, text);
      if (!ways.has(way)) ways.set(way, text.length);
    }
  return ways;
}

/**
 * Whether a part before the last character is incomplete, for example a stretch that was skipped and typed
 * into later.
 */
function isCutShort(plan: PatternPlan, { cells, last }: PatternBody): boolean {
  return (
    hasStretches &&
    plan.parts.some(
      ({ first, size, min, stretch }) =>
        stretch >= 0 &&
        first + size <= last &&
        cells.slice(first, first + min).includes('') &&
        plan.positions === 'flow' &&
        exists(plan, cells, stretch),
    )
  );
}

import type { Passed, PatternBody } from './body.ts';
import { type Cells, exists, isComplete, mayStayBlank, partOf } from './cells.ts';
import { denseBody } from './dense.ts';
import { hasAhead, hasFixed, hasGhost, hasMany, hasStretches, hasText } from './features.ts';
import type { FixedText, PatternPlan } from './plan.ts';

/**
 * The part of a fixed text that is shown, given which optional stretches exist.
 *
 * @example
 * const shown = (plan: PatternPlan) => plan.before.map((fixed) => standing(plan, [], fixed));
 */
export function standing(plan: PatternPlan, cells: Cells, fixed: FixedText): string {
  if (!hasStretches || typeof fixed === 'string') return fixed as string;
  let text = '';
  for (const segment of fixed) if (exists(plan, cells, segment.stretch)) text += segment.text;
  return text;
}

/**
 * All of a fixed text, with its optional stretches: what may be typed over there.
 *
 * @example
 * const all = (plan: PatternPlan) => plan.before.map((fixed) => written(fixed));
 */
export function written(fixed: FixedText): string {
  return !hasStretches || typeof fixed === 'string'
    ? (fixed as string)
    : fixed.map((segment) => segment.text).join('');
}

/**
 * The fixed text before a cell once that cell has content; after the last cell, the text that is shown now.
 *
 * @example
 * const head = (plan: PatternPlan) => textBefore(plan, [], 0);
 */
export function textBefore(plan: PatternPlan, cells: Cells, cell: number): string {
  const fixed = plan.before[cell]!;
  if (!hasStretches || typeof fixed === 'string') return fixed as string;
  const { stretches } = plan;
  // The cell's own stretch is displayed then, and those around it.
  const isIn = (stretch: number): boolean =>
    stretch >= 0 && cell >= stretches[stretch]!.first && cell < stretches[stretch]!.end;
  let text = '';
  for (const { text: own, stretch } of fixed) if (isIn(stretch) || exists(plan, cells, stretch)) text += own;
  return text;
}

/** The offset of a character in a fixed text from `from` on, ignoring case; -1 if it has none. */
export function indexIn(text: string, character: string, from = 0): number {
  const exact = text.indexOf(character, from);
  if (exact >= 0) return exact;
  const wanted = character.toLowerCase();
  for (let i = from; i < text.length; i++)
    if (text.slice(i, i + character.length).toLowerCase() === wanted) return i;
  return -1;
}

/**
 * The text state of cells. `passed` (fixed text that was typed) is dropped if the content has outgrown it,
 * or if what it closed can no longer be closed.
 *
 * @example
 * const empty = (plan: PatternPlan) => lay(plan, [], undefined);
 */
export function lay(plan: PatternPlan, cells: Cells, passed: Passed | undefined, owed = ''): PatternBody {
  let last = cells.length - 1;
  while (last >= 0 && !cells[last]) last--;
  const content = cells.join('');
  const kept = passed && stillPassed(plan, cells, last, passed) ? passed : undefined;
  if (hasMany && !kept && !owed && content.length === last + 1 && !holed(cells, last)) {
    const dense = denseBody(plan, content);
    if (dense) return dense;
  }
  return layOut(plan, cells, content, kept, last, owed);
}

/**
 * Whether everything between the content and the passed text may be left out: the rest of a part of varying
 * length, or a whole part.
 */
function stillPassed(plan: PatternPlan, cells: Cells, last: number, { cell }: Passed): boolean {
  if (cell <= last || (cell === cells.length && last >= 0 && isComplete(plan, cells))) return false;
  for (let i = last + 1; i < cell; i++) if (!mayStayBlank(plan, cells, i)) return false;
  return true;
}

function holed(cells: Cells, last: number): boolean {
  const blank = cells.indexOf('');
  return blank >= 0 && blank < last;
}

/** Lays out cell by cell. Exported for the tests, which compare `dense.ts` with it. */
export function layOut(
  plan: PatternPlan,
  cells: Cells,
  content: string,
  passed: Passed | undefined,
  last: number,
  owed = '',
): PatternBody {
  const isFixed = hasFixed && plan.positions === 'fixed';
  const complete = last >= 0 && isComplete(plan, cells);
  const next = nextShown(plan, last);
  const until = passed ? passed.cell : last + 1;
  const at: number[] = [];
  let display = '';
  for (const [i, character] of cells.entries()) {
    const isShown = isFixed || i < until || i === next;
    if (isShown) display += standing(plan, cells, plan.before[i]!);
    else if (hasStretches && complete && i !== passed?.cell && isAbsent(plan, cells, i))
      display += standing(plan, cells, plan.before[i]!);
    else if (i === passed?.cell) display += textBefore(plan, cells, i).slice(0, passed.shown);
    at.push(display.length);
    display += character || (isFixed && exists(plan, cells, partOf(plan, i).stretch) ? plan.filler : '');
  }
  if (isFixed || complete) display += standing(plan, cells, plan.before[cells.length]!);
  else if (passed?.cell === cells.length)
    display += standing(plan, cells, plan.before[cells.length]!).slice(0, passed.shown);
  return { cells, passed, owed, content, last, display, at, complete };
}

/**
 * Whether a cell is in an optional stretch that is not there. The fixed text before the stretch then follows
 * the content directly, as in `(<3 digit>)<? x<digit>>`.
 */
function isAbsent(plan: PatternPlan, cells: Cells, cell: number): boolean {
  const { stretch } = partOf(plan, cell);
  return stretch >= 0 && !exists(plan, cells, stretch);
}

/** The offset directly after the last character of the content, 0 if empty. */
export const contentEnd = ({ last, at, cells }: PatternBody): number =>
  last < 0 ? 0 : at[last]! + cells[last]!.length;

/** The fixed text in the display: everything that is not content. */
export function fixedIn({ display, cells, at }: PatternBody): string {
  let fixed = '';
  let from = 0;
  for (const [i, character] of cells.entries()) {
    if (!character) continue;
    fixed += display.slice(from, at[i]!);
    from = at[i]! + character.length;
  }
  return fixed + display.slice(from);
}

/** With `ahead`, the empty cell whose fixed text is displayed: the one after a full part; -1 for none. */
function nextShown(plan: PatternPlan, last: number): number {
  if (!hasAhead || plan.literals === 'behind' || last < 0) return -1;
  const part = partOf(plan, last);
  return last === part.first + part.size - 1 ? last + 1 : -1;
}

/**
 * What a raw value has of a fixed text.
 *
 * @example
 * inRaw({ raw: 'compact' }, 'RH-'); // 'RH'
 */
export const inRaw = ({ raw }: Pick<PatternPlan, 'raw'>, fixed: string): string =>
  raw === 'text' ? fixed : raw === 'compact' ? fixed.replace(/[^\p{L}\p{N}]/gu, '') : '';

/**
 * The raw value. In `fixed`, a blank is a space and trailing blanks are dropped. With `raw: "text"` it
 * contains fixed text up to the last character, and what follows once the pattern is complete; with
 * `compact`, its letters and digits.
 *
 * @example
 * const raw = (plan: PatternPlan, body: PatternBody) => rawOf(plan, body);
 */
export function rawOf(plan: PatternPlan, body: PatternBody): string {
  if ((!hasText && !hasFixed) || (plan.raw === 'content' && plan.positions === 'flow')) return body.content;
  const { cells, last, complete } = body;
  if (last < 0) return '';
  let raw = '';
  for (let i = 0; i <= last; i++) {
    if (hasText) raw += inRaw(plan, standing(plan, cells, plan.before[i]!));
    if (cells[i]) raw += cells[i];
    // Hidden stretches too: the text after a stretch might also fit into it.
    else if (hasFixed && plan.positions === 'fixed') raw += ' ';
  }
  if (hasText && complete) {
    for (let i = last + 1; hasStretches && i < cells.length; i++)
      if (isAbsent(plan, cells, i)) raw += inRaw(plan, standing(plan, cells, plan.before[i]!));
    raw += inRaw(plan, standing(plan, cells, plan.before[cells.length]!));
  }
  return raw;
}

/**
 * The remaining guide text, drawn after the input and never in it: fixed text as it is, the filler for every
 * required cell. Empty unless the plan has guide text.
 */
export function ghostOf(plan: PatternPlan, body: PatternBody): string {
  if (!hasGhost || !plan.ghost || plan.positions === 'fixed' || body.complete) return '';
  const { cells, passed, last } = body;
  const start = passed?.cell ?? last + 1;
  const isShown = nextShown(plan, last) === start;
  let guide = '';
  for (let i = start; i < cells.length; i++) {
    const part = partOf(plan, i);
    if (i > start || !passed) guide += i > start || !isShown ? standing(plan, cells, plan.before[i]!) : '';
    else guide += textBefore(plan, cells, i).slice(passed.shown);
    if (i - part.first < part.min && exists(plan, cells, part.stretch)) guide += plan.filler;
  }
  const tail = standing(plan, cells, plan.before[cells.length]!);
  return guide + (passed?.cell === cells.length ? tail.slice(passed.shown) : tail);
}

import { type Cells, exists, isComplete, partOf } from './cells.ts';
import { denseBody } from './dense.ts';
import type { Body } from './kind.ts';
import type { FixedText, PatternPlan } from './plan.ts';

/**
 * What a pattern field holds, laid out. `display` and `at` follow from `cells` and `passed` alone, never from
 * the way there (law 1).
 */
export interface PatternBody extends Body {
  readonly cells: Cells;
  /** Cells the user has closed behind the content by typing the fixed text after them; 0 when none. */
  readonly passed: number;
  /** Index of the last filled cell, -1 when empty. */
  readonly last: number;
  /** For each cell the offset in `display` where its character stands or would stand. */
  readonly at: readonly number[];
}

/** The part of a fixed text that stands, given which stretches exist. */
export function standing(plan: PatternPlan, cells: Cells, fixed: FixedText): string {
  if (typeof fixed === 'string') return fixed;
  let text = '';
  for (const segment of fixed) if (exists(plan, cells, segment.stretch)) text += segment.text;
  return text;
}

/** All of a fixed text, its optional stretches included: what may be typed over there. */
export function written(fixed: FixedText): string {
  return typeof fixed === 'string' ? fixed : fixed.map((segment) => segment.text).join('');
}

/** Lays out cells. `passed` is dropped when the content has outgrown it or there is none (empty: empty display). */
export function lay(plan: PatternPlan, cells: Cells, passed: number): PatternBody {
  let last = cells.length - 1;
  while (last >= 0 && !cells[last]) last--;
  const content = cells.join('');
  const isDense = content.length === last + 1 && (last < 0 || (passed <= last + 1 && !holed(cells, last)));
  const dense = isDense ? denseBody(plan, content) : undefined;
  if (dense) return dense;
  return layOut(plan, cells, content, last >= 0 && passed > last + 1 ? passed : 0, last);
}

function holed(cells: Cells, last: number): boolean {
  const blank = cells.indexOf('');
  return blank >= 0 && blank < last;
}

/** Lays out cell by cell. Exported for the tests, which hold `dense.ts` against it. */
export function layOut(
  plan: PatternPlan,
  cells: Cells,
  content: string,
  passed: number,
  last: number,
): PatternBody {
  const isFixed = plan.positions === 'fixed';
  const complete = last >= 0 && isComplete(plan, cells);
  const next = passed || nextShown(plan, last);
  const at: number[] = [];
  let display = '';
  for (const [i, character] of cells.entries()) {
    if (isFixed || i <= last || i === next) display += standing(plan, cells, plan.before[i]!);
    at.push(display.length);
    display += character || (isFixed && exists(plan, cells, partOf(plan, i).stretch) ? plan.filler : '');
  }
  if (isFixed || complete) display += standing(plan, cells, plan.before[cells.length]!);
  return { cells, passed, content, last, display, at, complete };
}

/** With `ahead`, the cell whose fixed text shows although it is blank: the one after a full part; -1 for none. */
function nextShown(plan: PatternPlan, last: number): number {
  if (plan.literals === 'behind' || last < 0) return -1;
  const part = partOf(plan, last);
  return last === part.first + part.size - 1 ? last + 1 : -1;
}

/**
 * What is handed on untyped. A blank inside a `fixed` raw is a space, trailing blanks go; with `raw: text` the
 * fixed text up to the last character is in it, and what follows it once the pattern is complete.
 */
export function rawOf(plan: PatternPlan, body: PatternBody): string {
  if (plan.raw === 'content' && plan.positions === 'flow') return body.content;
  const { cells, last, complete } = body;
  if (last < 0) return '';
  let raw = '';
  for (let i = 0; i <= last; i++) {
    if (plan.raw === 'text') raw += standing(plan, cells, plan.before[i]!);
    if (cells[i]) raw += cells[i];
    else if (plan.positions === 'fixed' && exists(plan, cells, partOf(plan, i).stretch)) raw += ' ';
  }
  if (plan.raw === 'text' && complete) raw += standing(plan, cells, plan.before[cells.length]!);
  return raw;
}

/**
 * The guide text still to come, drawn behind the input and never in it: fixed text as it is, the filler for
 * every needed cell. Empty unless the plan asks for a ghost.
 */
export function ghostOf(plan: PatternPlan, body: PatternBody): string {
  if (!plan.ghost || plan.positions === 'fixed' || body.complete) return '';
  const start = Math.max(body.last + 1, body.passed);
  const isShown = body.passed > 0 || nextShown(plan, body.last) === start;
  let guide = '';
  for (let i = start; i < body.cells.length; i++) {
    const part = partOf(plan, i);
    if (i > start || !isShown) guide += standing(plan, body.cells, plan.before[i]!);
    if (i - part.first < part.min && exists(plan, body.cells, part.stretch)) guide += plan.filler;
  }
  return guide + standing(plan, body.cells, plan.before[body.cells.length]!);
}

import { graphemes } from '../../values/graphemes.ts';
import type { PatternBody } from './body.ts';
import { type Cells, fit, mayStayBlank } from './cells.ts';
import { fixedIn, indexIn } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/**
 * The cells that hold a content from left to right; `undefined` if the pattern does not accept it as a
 * beginning. Cells that may stay empty are passed; fixed text is not read.
 *
 * @example
 * const cells = (plan: PatternPlan) => cellsFor(plan, '1234');
 */
export function cellsFor(plan: PatternPlan, content: string): Cells | undefined {
  const cells: string[] = plan.cells.map(() => '');
  let cell = 0;
  for (const character of graphemes(content)) {
    let as = cell < cells.length ? fit(plan, cells, cell, character) : 'full';
    while (typeof as === 'string' && cell < cells.length && mayStayBlank(plan, cells, cell)) {
      cell++;
      as = cell < cells.length ? fit(plan, cells, cell, character) : 'full';
    }
    if (typeof as === 'string') return undefined;
    cells[cell++] = as.as;
  }
  return cells;
}

/**
 * The plan that a text state is laid out by: of several patterns the one in use, `undefined` if none accepts
 * the content.
 *
 * @example
 * const used = (plan: PatternPlan, body: PatternBody) => planOf(plan, body);
 */
export const planOf = (
  plan: PatternPlan,
  { which = 0 }: Pick<PatternBody, 'which'>,
): PatternPlan | undefined => (plan.alternatives ? plan.alternatives[which] : plan);

/**
 * Of letters and digits that matched fixed text or a word, those that are not in the display in the end: they
 * were rejected.
 */
export function notStanding(body: PatternBody, met: string): string {
  if (!met) return '';
  const standing = fixedIn(body) + body.content;
  return graphemes(met)
    .filter((character) => indexIn(standing, character) < 0)
    .join('');
}

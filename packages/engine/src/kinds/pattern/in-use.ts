import { taken } from '../editing/takes.ts';
import { patternAlphabet } from './alphabet.ts';
import { fit, mayStayBlank, partOf } from './cells.ts';
import type { PatternPlan } from './plan.ts';

/** Most states looked at; beyond that nothing is claimed. */
const mostStates = 20_000;

/** How far one pattern is with a content: its cells and the next of them; `undefined` if it refuses it. */
type Way = { readonly cells: readonly string[]; readonly next: number } | undefined;

function step(plan: PatternPlan, way: Way, character: string): Way {
  if (!way) return undefined;
  const { cells } = way;
  for (let cell = way.next; cell < cells.length; cell++) {
    const as = fit(plan, cells, cell, character);
    if (typeof as !== 'string') return { cells: cells.with(cell, as.as), next: cell + 1 };
    if (!mayStayBlank(plan, cells, cell)) return undefined;
  }
  return undefined;
}

/** What decides how a way can go on: its place, the part it is in, and which stretches have begun. */
function keyOf(plan: PatternPlan, way: Way): string {
  if (!way) return '';
  const { cells, next } = way;
  const part = next < cells.length ? partOf(plan, next) : undefined;
  const own = part && part.takes !== 'set' ? cells.slice(part.first, next).join('') : '';
  const begun = plan.stretches.map(({ first, end }) => (cells.slice(first, end).some(Boolean) ? 1 : 0));
  return `${next}:${own}:${begun.join('')}`;
}

/**
 * Whether some content that the pattern at an index accepts is one that `isIt` looks for, given how far that
 * pattern and those before it are; `undefined` if there are too many to look at.
 */
function isReached(
  plans: readonly PatternPlan[],
  index: number,
  isIt: (ways: readonly Way[]) => boolean,
): boolean | undefined {
  const among = plans.slice(0, index + 1);
  const characters = [...new Set(among.flatMap((plan) => patternAlphabet(plan).characters))].filter((c) =>
    plans[index]!.parts.some((part) => taken(part, c) !== undefined),
  );
  const key = (ways: readonly Way[]): string => ways.map((way, i) => keyOf(among[i]!, way)).join(' ');
  const first = among.map((plan): Way => ({ cells: plan.cells.map(() => ''), next: 0 }));
  const seen = new Set([key(first)]);
  let edge: (readonly Way[])[] = [first];
  while (edge.length > 0) {
    const further: (readonly Way[])[] = [];
    for (const ways of edge) {
      if (isIt(ways)) return true;
      for (const character of characters) {
        const next = ways.map((way, i) => step(among[i]!, way, character));
        const state = next[index] ? key(next) : undefined;
        if (state === undefined || seen.has(state)) continue;
        if (seen.size >= mostStates) return undefined;
        seen.add(state);
        further.push(next);
      }
    }
    edge = further;
  }
  return false;
}

/** The indexes of the patterns that never lay out a content, because one before them accepts it too. */
export const neverUsed = (plans: readonly PatternPlan[]): readonly number[] =>
  plans.flatMap((_, i) => {
    const isUsed = i === 0 || isReached(plans, i, (ways) => ways.slice(0, i).every((way) => !way));
    return isUsed === false ? [i] : [];
  });

/**
 * Whether some content is complete in a pattern and laid out by one before it, so that the patterns together
 * do not have all values that each has alone; also `true` where that cannot be decided.
 */
export const doOverlap = (plans: readonly PatternPlan[]): boolean =>
  plans.some((plan, i) => {
    if (i === 0) return false;
    const isBoth = (ways: readonly Way[]): boolean =>
      isFull(plan, ways[i]) && ways.slice(0, i).some((way) => way !== undefined);
    return isReached(plans, i, isBoth) !== false;
  });

/** Whether a way has every character that its pattern requires. */
const isFull = (plan: PatternPlan, way: Way): boolean =>
  way !== undefined &&
  plan.parts.every(
    ({ first, min, stretch }) => stretch >= 0 || way.cells.slice(first, first + min).every(Boolean),
  );

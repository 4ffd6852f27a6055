import { takesPoint, walkerOf } from './automaton.ts';
import type { Automaton } from './automaton-data.ts';

/** One code point for each class of characters that both expressions treat alike. */
function alphabetOf(automata: readonly Automaton[]): readonly number[] {
  const edges = new Set([...'aZ7 -_é漢'].map((c) => c.codePointAt(0) ?? 0));
  const ones = automata.flatMap(({ nodes }) => nodes.flatMap((node) => (node.op === 'one' ? [node] : [])));
  for (const { ranges } of ones)
    for (const edge of ranges)
      for (const code of [edge - 1, edge, edge + 1]) if (code >= 0 && code <= 0x10ffff) edges.add(code);
  const sorts = new Map<string, number>();
  for (const code of edges) {
    const sort = ones.map((one) => Number(takesPoint(one, code))).join('');
    if (!sorts.has(sort)) sorts.set(sort, code);
  }
  return [...sorts.values()];
}

/** Number of states that may still be visited. */
export interface StateBudget {
  left: number;
}

/** Largest number of states of two expressions together. */
const mostStates = 20_000;

/**
 * The shortest text that exactly one of two expressions matches; the empty text counts as not matched.
 * `undefined` proves that there is none; `null` means that the budget of states was not enough. With `only`,
 * a text that `one` matches and `other` does not.
 *
 * @example
 * const [one, other] = [parseExpression('[0-9]+'), parseExpression('[0-8]+')];
 * if (!('message' in one) && !('message' in other)) distinguishingText(one, other); // '9'
 */
export function distinguishingText(
  one: Automaton,
  other: Automaton,
  budget: StateBudget = { left: mostStates },
  only = false,
): string | null | undefined {
  const [a, b] = [walkerOf(one), walkerOf(other)];
  const alphabet = alphabetOf([one, other]);
  const seen = new Set<string>([`${a.start} ${b.start}`]);
  let open: readonly (readonly [text: string, a: number, b: number])[] = [['', a.start, b.start]];
  while (open.length > 0) {
    const next: [string, number, number][] = [];
    for (const [text, at, bt] of open) {
      // An empty field has no value, so it does not matter whether the empty text matches.
      if (text && a.matches(at) !== b.matches(bt) && (!only || a.matches(at))) return text;
      for (const code of alphabet) {
        const x = a.step(at, code);
        const y = b.step(bt, code);
        if (x === undefined || y === undefined) return null;
        const key = `${x} ${y}`;
        if (seen.has(key)) continue;
        seen.add(key);
        if (--budget.left < 0 || seen.size > mostStates) return null;
        next.push([text + String.fromCodePoint(code), x, y]);
      }
    }
    open = next;
  }
  return undefined;
}

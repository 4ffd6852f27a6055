import { fold, graphemes } from '../../values/graphemes.ts';
import { type Alphabet, alphabetOf } from '../contract/alphabet.ts';
import { taken } from '../editing/takes.ts';
import { written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/**
 * The characters that a pattern distinguishes. Two characters are equal if every cell accepts both or
 * neither; digits of numbers, letters of words and fixed text are each their own.
 */
export function patternAlphabet(plan: PatternPlan): Alphabet {
  const all = plan.alternatives ?? [plan];
  const { filler } = plan;
  const parts = all.flatMap((one) => one.parts);
  const before = all.flatMap((one) => one.before);
  const ranges = parts.flatMap(({ set }) => (Array.isArray(set) ? (set as readonly number[]) : []));
  const fixedText = graphemes(before.map(written).join('') + filler);
  const worded = parts.flatMap(({ words = [] }) => graphemes(words.join('')));
  const digits = parts.some(({ takes }) => takes === 'number') ? [...'0123456789'] : [];
  const own = new Set([...fixedText, ...worded, ...digits].map((c) => c.toLowerCase()));
  return alphabetOf(ranges, [...own], (c) => {
    const named = fold(c).toLowerCase();
    return `${parts.map((part) => (taken(part, c) === undefined ? 0 : 1)).join('')} ${own.has(named) ? named : ''}`;
  });
}

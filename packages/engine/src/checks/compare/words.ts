import type { Comparison } from '../../rules/comparison.ts';
import type { WordsOf } from '../words-of.ts';

/**
 * Comparisons in words, as they are written before the other field's name.
 *
 * @example
 * comparisons.after; // 'after'
 */
export const comparisons: Readonly<Record<Comparison, string>> = {
  same: 'the same as',
  differs: 'not the same as',
  after: 'after',
  'not-before': 'not before',
  before: 'before',
  'not-after': 'not after',
  above: 'above',
  below: 'below',
  'at-most-days': 'at most … days after',
  'at-least-days': 'at least … days after',
};

export const compare: WordsOf<'compare'> = {
  // It is offered in forms only.
  starts: () => [],
  inWords: ({ op, days, field }) => `${comparisons[op].replace('…', String(days ?? 0))} ${field}`,
  codeOf: () => 'differs',
  editor: 'form',
};

import type { WordsOf } from '../words-of.ts';

export const matches: WordsOf<'matches'> = {
  starts: () => [
    { id: 'matches', label: 'matches an expression', check: { type: 'matches', pattern: '.*' } },
  ],
  inWords: ({ pattern }) => `as the expression ${pattern} says`,
  codeOf: () => 'no-match',
};

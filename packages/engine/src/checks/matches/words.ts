import type { WordsOf } from '../words-of.ts';

export const matches: WordsOf<'matches'> = {
  starts: () => [{ id: 'matches', label: 'Regular expression', check: { type: 'matches', pattern: '.*' } }],
  inWords: ({ pattern }) => `matches ${pattern}`,
  codeOf: () => 'no-match',
};

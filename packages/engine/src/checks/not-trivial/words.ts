import type { WordsOf } from '../words-of.ts';

export const notTrivial: WordsOf<'not-trivial'> = {
  starts: () => [{ id: 'not-trivial', label: 'Not easy to guess', check: { type: 'not-trivial' } }],
  inWords: () => 'not easy to guess',
  codeOf: () => 'trivial',
};

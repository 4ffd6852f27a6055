import type { WordsOf } from '../words-of.ts';

export const complete: WordsOf<'complete'> = {
  // Every field has this rule automatically.
  starts: () => [],
  inWords: () => 'must be complete',
  codeOf: () => 'incomplete',
};

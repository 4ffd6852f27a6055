import type { WordsOf } from '../words-of.ts';

export const remote: WordsOf<'remote'> = {
  starts: () => [
    { id: 'ask', label: 'Server check', check: { type: 'remote', ask: '/api/services/passes' } },
  ],
  inWords: ({ ask }) => `passes server check (${ask})`,
  codeOf: () => 'not-allowed',
};

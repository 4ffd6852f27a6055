import type { WordsOf } from '../words-of.ts';

export const remote: WordsOf<'remote'> = {
  starts: () => [
    { id: 'ask', label: 'a server says so', check: { type: 'remote', ask: '/api/services/passes' } },
  ],
  inWords: ({ ask }) => `as ${ask} answers`,
  codeOf: () => 'not-allowed',
};

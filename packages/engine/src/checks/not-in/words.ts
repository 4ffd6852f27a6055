import { listed } from '../listed.ts';
import type { WordsOf } from '../words-of.ts';

export const notAmong: WordsOf<'not-in'> = {
  starts: () => [{ id: 'not-in', label: 'Forbidden values', check: { type: 'not-in', values: ['0000'] } }],
  inWords: ({ values }) => `none of ${listed(values)}`,
  codeOf: () => 'not-allowed',
};

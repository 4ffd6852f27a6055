import { listed } from '../listed.ts';
import type { WordsOf } from '../words-of.ts';

export const among: WordsOf<'in'> = {
  starts: () => [{ id: 'in', label: 'Allowed values', check: { type: 'in', values: ['1'] } }],
  inWords: ({ values }) => `one of ${listed(values)}`,
  codeOf: () => 'not-allowed',
};

import type { WordsOf } from '../words-of.ts';

export const required: WordsOf<'required'> = {
  starts: () => [{ id: 'required', label: 'must be filled in', check: { type: 'required' } }],
  inWords: () => 'must be filled in',
  codeOf: () => 'required',
};

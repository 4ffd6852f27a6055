import type { WordsOf } from '../words-of.ts';

export const required: WordsOf<'required'> = {
  starts: () => [{ id: 'required', label: 'Required', check: { type: 'required' } }],
  inWords: () => 'is required',
  codeOf: () => 'required',
};

import type { WordsOf } from '../words-of.ts';

const characters = (count: number): string => `${count} ${count === 1 ? 'character' : 'characters'}`;

export const length: WordsOf<'length'> = {
  starts: () => [{ id: 'length', label: 'Length', check: { type: 'length', min: 1 }, isApart: true }],
  inWords({ min, max }) {
    if (min !== undefined && max !== undefined)
      return min === max ? `${characters(min)} long` : `${min} to ${characters(max)} long`;
    return min === undefined ? `at most ${characters(max ?? 0)}` : `at least ${characters(min)}`;
  },
  codeOf: ({ min }) => (min === undefined ? 'too-long' : 'too-short'),
};

import type { Compiler } from '../compiling.ts';

export const compare: Compiler<'compare'> = {
  codes: ['differs'],
  wordedAs: ({ op }) => `compare/${op}`,
  counts: ['days'],
  /** Numbers and minutes are ordered as decimals, days and times as ISO 8601 texts. */
  compile(check, { comparable }) {
    const isCounted = comparable === 'number' || comparable === 'minutes';
    return { ...check, by: isCounted ? 'number' : 'text' };
  },
  reads: ({ field }) => [field],
};

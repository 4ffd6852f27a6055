import type { Compiler } from '../compiling.ts';

export const compare: Compiler<'compare'> = {
  codes: ['differs'],
  /** Numbers and minutes are ordered as decimals, days and times as texts of ISO 8601. */
  compile(check, { comparable }) {
    const isCounted = comparable === 'number' || comparable === 'minutes';
    return { ...check, by: isCounted ? 'number' : 'text' };
  },
  reads: ({ field }) => [field],
};

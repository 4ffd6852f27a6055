import type { Compile } from '../compiling.ts';

/** Numbers and minutes are ordered as decimals, days and times as texts of ISO 8601. */
export const compare: Compile<'compare'> = (check, { comparable }) => {
  const isCounted = comparable === 'number' || comparable === 'minutes';
  return { ...check, by: isCounted ? 'number' : 'text' };
};

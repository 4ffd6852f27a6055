import { date as defineDate } from './define.ts';
import { date as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `date`, complete.
 *
 * @example
 * const table = { date: kinds.date };
 */
export const date = { run, define: defineDate, draw, ships: 'date' };

import { currency as defineCurrency, number as defineNumber, percent as definePercent } from './define.ts';
import { number as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `number`, complete.
 *
 * @example
 * const table = { number: kinds.number };
 */
export const number = { run, define: defineNumber, draw, ships: 'number' };
/**
 * The kind `currency`, complete.
 *
 * @example
 * const table = { currency: kinds.currency };
 */
export const currency = { run, define: defineCurrency, draw, ships: 'number' };
/**
 * The kind `percent`, complete.
 *
 * @example
 * const table = { percent: kinds.percent };
 */
export const percent = { run, define: definePercent, draw, ships: 'number' };

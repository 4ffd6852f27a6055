import { currency as defineCurrency, number as defineNumber, percent as definePercent } from './define.ts';
import { number as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `number`, whole. */
export const number = { run, define: defineNumber, draw, ships: 'number' };
/** Kind `currency`, whole. */
export const currency = { run, define: defineCurrency, draw, ships: 'number' };
/** Kind `percent`, whole. */
export const percent = { run, define: definePercent, draw, ships: 'number' };

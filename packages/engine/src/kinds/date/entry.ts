import { date as defineDate } from './define.ts';
import { date as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `date`, whole. */
export const date = { run, define: defineDate, draw, ships: 'date' };

import { pattern as definePattern } from './define.ts';
import { pattern as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `pattern`, whole. */
export const pattern = { run, define: definePattern, draw, ships: 'pattern' };

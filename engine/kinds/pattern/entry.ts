import { pattern as definePattern } from './define.ts';
import type { PatternPlan } from './plan.ts';
import { pattern as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** With so many cells a walk over all of them costs less than what saves it. */
const few = 64;

/** Kind `pattern`, whole. */
export const pattern = {
  run,
  define: definePattern,
  draw,
  ships: 'pattern',
  shipsAs: ({ cells }: PatternPlan) => (cells.length > few ? 'pattern' : 'shortPattern'),
};

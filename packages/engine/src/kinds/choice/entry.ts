import { choice as defineChoice } from './define.ts';
import { choice as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `choice`, whole: one of several. */
export const choice = { run, define: defineChoice, draw, ships: 'choice' };

import { choice as defineChoice } from './define.ts';
import { choice as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `choice`, complete: one of several options.
 *
 * @example
 * const table = { choice: kinds.choice };
 */
export const choice = { run, define: defineChoice, draw, ships: 'choice' };

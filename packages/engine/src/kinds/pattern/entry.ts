import { pattern as definePattern } from './define.ts';
import { pattern as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `pattern`, complete.
 *
 * @example
 * const table = { pattern: kinds.pattern };
 */
export const pattern = { run, define: definePattern, draw, ships: 'pattern' };

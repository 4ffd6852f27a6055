import { custom as defineCustom } from './define.ts';
import { custom as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `custom`, complete: a format in the developer's own code.
 *
 * @example
 * const table = { custom: kinds.custom };
 */
export const custom = { run, define: defineCustom, draw, ships: 'custom', shipsBy: 'customFormatBy' };

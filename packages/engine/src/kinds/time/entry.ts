import { time as defineTime } from './define.ts';
import { time as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `time`, complete.
 *
 * @example
 * const table = { time: kinds.time };
 */
export const time = { run, define: defineTime, draw, ships: 'time' };

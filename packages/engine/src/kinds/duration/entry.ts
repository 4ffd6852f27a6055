import { duration as defineDuration } from './define.ts';
import { duration as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `duration`, complete.
 *
 * @example
 * const table = { duration: kinds.duration };
 */
export const duration = { run, define: defineDuration, draw, ships: 'duration' };

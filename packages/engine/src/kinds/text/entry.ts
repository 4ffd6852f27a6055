import { text as defineText } from './define.ts';
import { text as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `text`, complete.
 *
 * @example
 * const table = { text: kinds.text };
 */
export const text = { run, define: defineText, draw, ships: 'text' };

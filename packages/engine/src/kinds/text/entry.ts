import { text as defineText } from './define.ts';
import { text as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `text`, whole. */
export const text = { run, define: defineText, draw, ships: 'text' };

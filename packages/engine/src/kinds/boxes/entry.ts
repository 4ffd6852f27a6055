import { oneTimeCode as defineOneTimeCode, pin as definePin } from './define.ts';
import { boxes as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `pin`, whole. */
export const pin = { run, define: definePin, draw, ships: 'boxes' };
/** Kind `one-time-code`, whole. */
export const oneTimeCode = {
  run,
  define: defineOneTimeCode,
  draw: { ...draw, adornments: ['code-sender'] as const },
  ships: 'boxes',
};

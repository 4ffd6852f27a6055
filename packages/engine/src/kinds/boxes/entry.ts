import { oneTimeCode as defineOneTimeCode, pin as definePin } from './define.ts';
import { boxes as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `pin`, complete.
 *
 * @example
 * const table = { pin: kinds.pin };
 */
export const pin = { run, define: definePin, draw, ships: 'boxes' };
/**
 * The kind `one-time-code`, complete.
 *
 * @example
 * const table = { 'one-time-code': kinds['one-time-code'] };
 */
export const oneTimeCode = {
  run,
  define: defineOneTimeCode,
  draw: { ...draw, standIn: 'code-sender' as const },
  ships: 'boxes',
};

import { phone as definePhone } from './define.ts';
import { phone as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `phone`, complete.
 *
 * @example
 * const table = { phone: kinds.phone };
 */
export const phone = { run, define: definePhone, draw, ships: 'phone' };

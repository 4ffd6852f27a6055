import { yesNo as defineYesNo } from './define.ts';
import { yesNo as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `yes-no`, complete.
 *
 * @example
 * const table = { 'yes-no': kinds['yes-no'] };
 */
export const yesNo = { run, define: defineYesNo, draw, ships: 'yes-no' };

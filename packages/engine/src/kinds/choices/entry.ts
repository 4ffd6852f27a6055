import { choices as defineChoices } from './define.ts';
import { choices as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `choices`, complete: any of several options.
 *
 * @example
 * const table = { choices: kinds.choices };
 */
export const choices = { run, define: defineChoices, draw, ships: 'choices' };

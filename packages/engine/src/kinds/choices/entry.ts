import { choices as defineChoices } from './define.ts';
import { choices as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `choices`, whole: any of several. */
export const choices = { run, define: defineChoices, draw, ships: 'choices' };

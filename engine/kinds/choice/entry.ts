import { choice as defineChoice } from './define.ts';
import { choice as run } from './run.ts';
import { drawing as draw } from './sample.ts';

export const choice = { run, define: defineChoice, draw, ships: 'choice' };

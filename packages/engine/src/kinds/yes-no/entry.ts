import { yesNo as defineYesNo } from './define.ts';
import { yesNo as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `yes-no`, whole. */
export const yesNo = { run, define: defineYesNo, draw, ships: 'yes-no' };

import { currency as defineCurrency, number as defineNumber, percent as definePercent } from './define.ts';
import { number as run } from './run.ts';
import { drawing as draw } from './sample.ts';

export const number = { run, define: defineNumber, draw };
export const currency = { run, define: defineCurrency, draw };
export const percent = { run, define: definePercent, draw };

import { currency as defineCurrency, number as defineNumber, percent as definePercent } from './define.ts';
import { number as run } from './run.ts';
import { drawing as draw } from './sample.ts';

export const number = { run, define: defineNumber, draw, ships: 'number' };
export const currency = { run, define: defineCurrency, draw, ships: 'number' };
export const percent = { run, define: definePercent, draw, ships: 'number' };

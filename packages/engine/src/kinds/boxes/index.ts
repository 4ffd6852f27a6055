export { oneTimeCode, pin } from './entry.ts';
export type { BoxesPlan } from './run.ts';

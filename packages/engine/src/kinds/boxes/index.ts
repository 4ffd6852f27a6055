export { oneTimeCode, pin } from './entry.ts';
export { activeBox, type BoxesPlan } from './run.ts';

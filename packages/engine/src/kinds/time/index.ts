export { time } from './entry.ts';
export type { TimePlan } from './run.ts';

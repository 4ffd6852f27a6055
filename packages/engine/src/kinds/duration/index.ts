export { duration } from './entry.ts';
export type { DurationPlan } from './plan.ts';

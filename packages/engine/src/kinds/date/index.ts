export { date } from './entry.ts';
export type { DatePlan } from './run.ts';

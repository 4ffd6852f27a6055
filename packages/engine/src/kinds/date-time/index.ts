export { dateTime } from './entry.ts';
export type { DateTimePlan } from './run.ts';

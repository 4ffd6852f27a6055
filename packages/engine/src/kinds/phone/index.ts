export { phone } from './entry.ts';
export type { PhonePlan } from './plan.ts';
export type { PhoneBody } from './run.ts';

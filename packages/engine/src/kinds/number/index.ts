export { currency, number, percent } from './entry.ts';
export type { NumberPlan } from './plan.ts';

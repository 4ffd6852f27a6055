export { text } from './entry.ts';
export type { TextPlan } from './run.ts';

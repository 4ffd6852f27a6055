export { choice } from './entry.ts';
export type { ChoicePlan } from './run.ts';

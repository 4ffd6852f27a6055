export { choices } from './entry.ts';
export type { ChoicesPlan } from './run.ts';

export { yesNo } from './entry.ts';
export type { YesNoPlan } from './run.ts';

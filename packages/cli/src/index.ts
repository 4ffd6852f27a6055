export { run } from './arbeit.ts';
export type { Output } from './report.ts';

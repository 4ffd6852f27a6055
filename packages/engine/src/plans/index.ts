export { allRegions, codeOf } from './plans.ts';

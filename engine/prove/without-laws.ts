// What proves a definition without random fields: a page's worker and the command line need no library for these.
export { type Compared, compareSets } from './compare.ts';
export { breakOnPurpose, type Fate, type Proven, type Step, targetsOf } from './proof.ts';
export { type Moment, moments, type Reach, reachOf } from './reach.ts';

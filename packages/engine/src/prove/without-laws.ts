// What proves a definition without random fields: a page's worker and the command line need no library for these.
export type { Counterexample, Progress } from './audit.ts';
export { type Audit, type Audited, auditSet, together } from './audit-set.ts';
export { type Compared, compareSets } from './compare.ts';
export { type Law, lawWords } from './law.ts';
export { type Formatter, pastedField, type Wiring } from './pasted.ts';
export { auditPasted, type PastedAudit, shownAlong } from './pasted-audit.ts';
export { breakOnPurpose, type Fate, type Proven, type Step, targetsOf } from './proof.ts';
export { type Moment, moments, type Reach, reachOf } from './reach.ts';
export { compiledOf, type SameAs, sameAs } from './same-as.ts';

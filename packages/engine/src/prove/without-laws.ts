// The parts that prove a definition without random fields: a page's worker and the command line need no
// library for these.
export type { Counterexample, Progress } from './audit.ts';
export { type Audit, type Audited, auditSet, together } from './audit-set.ts';
export { type Compared, compareSets } from './compare.ts';
export { type Contradiction, contradictionsIn } from './contradictions.ts';
export { compiledOf, type EquivalentConfig, equivalentConfig } from './equivalent-config.ts';
export { type Law, lawWords } from './law.ts';
export {
  type MutantResult,
  type MutantStatus,
  type MutationProgress,
  targetsOf,
  testMutations,
} from './mutation-tests.ts';
export { type Formatter, pastedField, type Wiring } from './pasted.ts';
export { auditPasted, type PastedAudit, shownAlong } from './pasted-audit.ts';
export { type Reach, reachOf, type Situation, situations } from './reach.ts';

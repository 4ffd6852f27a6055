/**
 * What fields may have beside a kind and rules about their own value. Here all of it is there; a hand-off leaves out what none of its fields
 * has (`unused-features.ts` says which, `packages/handoff/src/emit` puts others in their place).
 */

/** Forms, with rules across fields and conditions. */
export const hasForms: boolean = true;
/** Checks that a field has to carry (`carriedBy`). */
export const hasChecks: boolean = true;
/** Rules that ask elsewhere. */
export const hasRemoteChecks: boolean = true;
/** Rules that take out what they refuse. */
export const hasClearRejected: boolean = true;

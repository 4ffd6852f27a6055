/**
 * Features of fields beside their kind and rules about their own value. All are true here; a hand-off
 * replaces those that none of its fields uses (`unused-features.ts`, `packages/handoff/src/emit`).
 */

/** Forms: rules across fields, and conditions. */
export const hasForms: boolean = true;
/** Checks that a field must carry (`carriedBy`). */
export const hasChecks: boolean = true;
/** Rules that ask a server. */
export const hasRemoteChecks: boolean = true;
/** Rules that remove what they refuse. */
export const hasClearRejected: boolean = true;

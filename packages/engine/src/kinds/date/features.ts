/** What dates may have beside three parts: as `field/features.ts`. */

/** Limits that are checked. */
export const hasRange: boolean = true;
/** Another text at rest than the one that is typed. */
export const hasResting: boolean = true;
/** Years of another calendar than ours. */
export const hasOwnYears: boolean = true;

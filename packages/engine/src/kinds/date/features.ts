/** Features of dates beside three parts, as in `field/features.ts`. */

/** Whether any field checks limits. */
export const hasRange: boolean = true;
/** A resting text that differs from the typed one. */
export const hasResting: boolean = true;
/** Months of a year in place of days. */
export const hasMonths: boolean = true;
/** Years of another calendar. */
export const hasOwnYears: boolean = true;

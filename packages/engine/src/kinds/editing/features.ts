/** Features of kinds that share their editing, as in `field/features.ts`. */

/** Parts that are one of some words: AM and PM. */
export const hasPartWords: boolean = true;

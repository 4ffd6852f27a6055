/** What kinds that share their editing may have beside what all of them do: as `field/features.ts`. */

/** Parts that are one of some words: the halves of the day. */
export const hasPartWords: boolean = true;

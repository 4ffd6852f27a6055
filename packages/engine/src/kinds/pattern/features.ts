/**
 * What patterns may have beside cells in a row with fixed text between them. Here all of it is there; where
 * fields are handed off, what none of them has is left out of the code with these (`unused-features.ts` says
 * which, `packages/handoff/src/emit` puts others in their place).
 */

/** Blanks that keep their place: `positions: fixed`. */
export const hasFixed: boolean = true;
/** Stretches that may be left out: `( … )`. */
export const hasStretches: boolean = true;
/** Parts that are one of some words. */
export const hasWords: boolean = true;
/** Parts that are a number between bounds. */
export const hasNumbers: boolean = true;
/** Parts that may be shorter than they can be. */
export const hasVarying: boolean = true;
/** Fixed text that shows as soon as what is before it is full: `literals: ahead`. */
export const hasAhead: boolean = true;
/** Guide text behind what is typed. */
export const hasGhost: boolean = true;
/** A raw value with the fixed text in it. */
export const hasText: boolean = true;
/**
 * So many cells that walking over all of them at each key would be felt: tables of where each stands, and
 * long pastes dealt with at once.
 */
export const hasMany: boolean = true;
/**
 * Displays that typing them would not lead to: fixed text with characters that a cell takes, parts that may
 * be passed by.
 */
export const hasDoubt: boolean = true;

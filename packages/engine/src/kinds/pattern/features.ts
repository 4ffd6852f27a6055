/**
 * What patterns may have beside cells in a row with fixed text between them. Here all of it is there; where
 * fields are handed off, what none of them has is left out of the code with these (`unused-features.ts` says
 * which, `packages/handoff/src/emit` puts others in their place).
 */

/** Whether any field keeps gaps: `positions: fixed`. */
export const hasFixed: boolean = true;
/** Whether any field has stretches that may be left out: `( … )`. */
export const hasStretches: boolean = true;
/** Whether any field has parts that are one of some words. */
export const hasWords: boolean = true;
/** Whether any field has parts that are a number between bounds. */
export const hasNumbers: boolean = true;
/** Whether any field has parts of varying length. */
export const hasVarying: boolean = true;
/** Whether any field displays fixed text as soon as what is before it is full: `literals: ahead`. */
export const hasAhead: boolean = true;
/** Whether any field has guide text after what is typed. */
export const hasGhost: boolean = true;
/** Whether any field has a raw value that contains the fixed text. */
export const hasText: boolean = true;
/**
 * Whether any field has so many cells that a pass over all of them at each key would be noticeable. Then
 * offsets are kept in tables, and long pastes are handled at once.
 */
export const hasMany: boolean = true;
/** Whether any field has several patterns: `pattern` is a list. */
export const hasAlternatives: boolean = true;
/**
 * Whether any field has displays that typing them would not lead to: fixed text with characters that a cell
 * accepts, or parts that may be passed.
 */
export const hasDoubt: boolean = true;

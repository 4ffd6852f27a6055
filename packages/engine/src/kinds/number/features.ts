/** What numbers may have beside digits, groups and decimals: as `field/features.ts`. */

/** Digits that come in from the right, cents first. */
export const hasRight: boolean = true;
/** A minus, or parentheses for it. */
export const hasNegative: boolean = true;
/** A unit with a singular. */
export const hasSingular: boolean = true;
/** Limits and steps that are checked. */
export const hasRange: boolean = true;
/** Decimals filled up when the field is left. */
export const hasPad: boolean = true;
/** Digits of another script. */
export const hasDigits: boolean = true;

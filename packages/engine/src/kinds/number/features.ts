/** Features of numbers beside digits, groups and decimals, as in `field/features.ts`. */

/** Digits from the right, cents first. */
export const hasRight: boolean = true;
/** A minus, or parentheses. */
export const hasNegative: boolean = true;
/** A unit with a singular. */
export const hasSingular: boolean = true;
/** Limits and steps that are checked. */
export const hasRange: boolean = true;
/** Decimals filled on blur. */
export const hasPad: boolean = true;
/** Digits of another script. */
export const hasDigits: boolean = true;

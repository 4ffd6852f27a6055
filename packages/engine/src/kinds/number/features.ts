/** Features of numbers beside digits, groups and decimals, as in `field/features.ts`. */

/** Digits from the right, cents first. */
export const hasRight: boolean = true;
/** A minus, or parentheses. */
export const hasNegative: boolean = true;
/** Whether any unit has a singular form. */
export const hasSingular: boolean = true;
/** Whether any unit of the platform has plural forms. */
export const hasPlurals: boolean = true;
/** Whether any field checks limits or steps. */
export const hasRange: boolean = true;
/** Decimals filled on blur. */
export const hasPad: boolean = true;
/** Whether any field uses digits of another script. */
export const hasDigits: boolean = true;

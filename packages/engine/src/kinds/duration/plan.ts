import type { PartsBody, PartsPlan } from '../editing/parts.ts';

/** A duration field, ready to run. */
export interface DurationPlan extends PartsPlan {
  readonly kind: 'duration';
  /** Index of hours and minutes, -1 for a unit the field does not have. */
  readonly hour: number;
  readonly minute: number;
  /** Index of the part for a number without unit. */
  readonly bare: number;
  /** The locale's decimal separator, for fractions of an hour. */
  readonly decimal: string;
  /** Words and signs of units in a paste, in lower case, with their seconds. */
  readonly words: readonly (readonly [word: string, seconds: number])[];
}

/**
 * The parts, the one whose unit was typed, and whether a space was typed after the last. An edit ends both:
 * they only say what the next key means.
 */
export interface DurationBody extends PartsBody {
  readonly named?: number;
  readonly ended?: boolean;
}

import type { PartsPlan } from '../editing/parts.ts';

/** A date, or a month of a year, ready to run: its parts in order, and its resting text. */
export interface DatePlan extends PartsPlan {
  readonly kind: 'date';
  /** Index of the day in the parts; -1 for a month. */
  readonly day: number;
  readonly month: number;
  readonly year: number;
  /** Two-digit years below it are in this century, the others in the last. */
  readonly pivot: number;
  /**
   * The resting text per month, with `{d}` or `{dd}` for the day, `{y}` for the year and `{w}` for the
   * weekday; empty if it is as typed.
   */
  readonly resting: readonly string[];
  /** Weekdays in the resting text, Monday first. */
  readonly weekdays: readonly string[];
  /** Names of each month in a paste, in lower case. */
  readonly months: readonly (readonly string[])[];
  /** Whether years are Gregorian. If not, a pasted year is read only where it is unambiguous. */
  readonly gregorian: boolean;
  /** Other words of the locale's dates in a paste, such as weekdays, in lower case. */
  readonly words: readonly string[];
}

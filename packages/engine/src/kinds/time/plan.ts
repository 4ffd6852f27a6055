import type { PartsPlan } from '../editing/parts.ts';

/** A time of day, ready to run. */
export interface TimePlan extends PartsPlan {
  readonly kind: 'time';
  /** Index of the hour in the parts. Each index is -1 if the part is missing. */
  readonly hour: number;
  readonly minute: number;
  readonly second: number;
  readonly period: number;
  /**
   * Every word the locale uses for a time of day, in lower case, the longest first, with the hours it is used
   * for as bits (bit 20 for eight in the evening). Some locales have more than two halves: `晚上` is not `下午`.
   */
  readonly periods: readonly (readonly [word: string, hours: number])[];
  /** Other words in a time, in lower case: the units of hours, minutes and seconds. */
  readonly units: readonly string[];
  /** Of these, the words for hours. */
  readonly hours: readonly string[];
}

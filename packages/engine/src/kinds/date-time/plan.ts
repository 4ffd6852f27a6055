import type { DatePlan } from '../date/plan.ts';
import type { PartsPlan } from '../editing/parts.ts';
import type { TimePlan } from '../time/plan.ts';

/** A date with a time of day, ready to run: the parts of both in a row. */
export interface DateTimePlan extends PartsPlan {
  readonly kind: 'date-time';
  /** Index of the day in the parts, and of the others. */
  readonly day: number;
  readonly month: number;
  readonly year: number;
  /** Two-digit years below it are in this century, the others in the last. */
  readonly pivot: number;
  /** The date alone and the time alone, to read and to check them. */
  readonly date: DatePlan;
  readonly time: TimePlan;
  /** Index of the first part of the date and of the time. */
  readonly dateAt: number;
  readonly timeAt: number;
  /** The text between the date at rest and the time. */
  readonly joint: string;
}

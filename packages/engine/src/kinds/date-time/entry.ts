import { dateTime as defineDateTime } from './define.ts';
import type { DateTimePlan } from './plan.ts';
import { dateTime as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/**
 * The kind `date-time`, complete.
 *
 * @example
 * const table = { 'date-time': kinds['date-time'] };
 */
export const dateTime = {
  run,
  define: defineDateTime,
  draw,
  ships: 'date-time',
  plansWithin: ({ date, time }: DateTimePlan) => [date, time],
};

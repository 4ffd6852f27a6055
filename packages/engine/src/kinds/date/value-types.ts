import { digitsIn, numbersIn } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { DatePlan } from './run.ts';

/** An expression for the days of the Gregorian calendar from year 1 to 9999 (ISO 8601). */
export const dates =
  '(?!0000)(?:\\d{4}-(?:(?:0[13578]|1[02])-(?:0[1-9]|[12]\\d|3[01])|(?:0[469]|11)-(?:0[1-9]|[12]\\d|30)|02-(?:0[1-9]|1\\d|2[0-8]))' +
  '|(?:\\d\\d(?:0[48]|[2468][048]|[13579][26])|(?:[02468][048]|[13579][26])00)-02-29)';

export const valueTypes: ValueTypes<DatePlan> = {
  values: ({ day }) =>
    day < 0
      ? { type: numbersIn('', '-'), expression: '(?!0000)\\d{4}-(?:0[1-9]|1[0-2])' }
      : { type: numbersIn('', '-', '-'), expression: dates },
  typedForm: ({ day }) => digitsIn(day < 0 ? 2 : 3),
};

import { digitsIn, numbersIn } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import { dates } from '../date/value-types.ts';
import type { DateTimePlan } from './plan.ts';

export const valueTypes: ValueTypes<DateTimePlan> = {
  values: () => ({
    type: numbersIn('', '-', '-', 'T', ':'),
    expression: `${dates}T(?:[01]\\d|2[0-3]):[0-5]\\d`,
  }),
  typedForm: () => digitsIn(4),
};

import { digitsIn, numbersIn } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { TimePlan } from './run.ts';

export const valueTypes: ValueTypes<TimePlan> = {
  values: ({ second }) => ({
    type: second < 0 ? numbersIn('', ':') : numbersIn('', ':', ':'),
    expression: `(?:[01]\\d|2[0-3]):[0-5]\\d${second < 0 ? '' : ':[0-5]\\d'}`,
  }),
  typedForm: () => digitsIn(1),
};

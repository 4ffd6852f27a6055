import { digitsIn, numbersIn } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { PhonePlan } from './plan.ts';

export const valueTypes: ValueTypes<PhonePlan> = {
  values: ({ extension }) => ({
    type: numbersIn('+'),
    expression: `\\+[1-9]\\d{3,14}${extension ? '(?:;ext=\\d+)?' : ''}`,
    beyond: 'numbers that are none of its regions and types',
  }),
  typedForm: () => digitsIn(3),
};

import { digitsIn, numbersIn } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { DurationPlan } from './plan.ts';

export const valueTypes: ValueTypes<DurationPlan> = {
  values: ({ hour }) => ({
    type: numbersIn(''),
    json: { is: 'number', decimals: 0, digits: hour < 0 ? 4 : 5, isSigned: false },
    expression: hour < 0 ? '0|[1-9]\\d{0,3}' : '0|[1-9]\\d{0,4}',
    ...(hour < 0 ? {} : { beyond: 'minutes that its parts cannot come to' }),
  }),
  typedForm: () => digitsIn(1),
};

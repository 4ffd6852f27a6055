import { digitsIn, numbersIn, type ValueForm } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { NumberPlan } from './plan.ts';

/** The possible decimals. Zero has no minus. */
function numberValues({ least: padded, most, negative, fill }: NumberPlan): ValueForm {
  const least = fill === 'right' ? most : padded;
  const sign = negative === 'no' ? '' : '(?!-[0.]*$)-?';
  const fraction = most === 0 ? '' : `(?:\\.\\d{${Math.max(1, least)},${most}})${least > 0 ? '' : '?'}`;
  return {
    type: numbersIn(''),
    expression: `${sign}(?:0|[1-9]\\d*)${fraction}`,
    json: { is: 'number', decimals: most, isSigned: negative !== 'no' },
  };
}

export const valueTypes: ValueTypes<NumberPlan> = { values: numberValues, typedForm: () => digitsIn(1) };

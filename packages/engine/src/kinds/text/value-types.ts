import type { ValueTypes } from '../contract/value-types.ts';
import type { TextPlan } from './run.ts';

export const valueTypes: ValueTypes<TextPlan> = {
  values: () => ({
    type: 'string',
    isRaw: true,
    beyond: 'blanks, case and length as its options have them',
  }),
};

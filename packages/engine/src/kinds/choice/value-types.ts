import { amongThem } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { ChoicePlan } from './run.ts';

export const valueTypes: ValueTypes<ChoicePlan> = {
  values: ({ options }) => amongThem(options.map(({ value }) => value)),
};

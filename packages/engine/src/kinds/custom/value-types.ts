import type { ValueTypes } from '../contract/value-types.ts';

export const valueTypes: ValueTypes = {
  values: () => ({ type: 'string', beyond: 'what its custom code returns for them' }),
};

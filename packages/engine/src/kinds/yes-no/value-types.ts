import { amongThem } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';

// The raw value of an unticked checkbox is empty, and its value is no.
export const valueTypes: ValueTypes = {
  values: () => ({ ...amongThem(['yes', 'no']), isRaw: false, json: { is: 'boolean' } }),
};

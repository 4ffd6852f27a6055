import { canonical } from '../../values/decimal.ts';
import type { Compiler } from '../compiling.ts';

export const range: Compiler<'range'> = {
  codes: ['below-min', 'above-max', 'off-step'],
  isWordedByKinds: true,
  compile(check) {
    const limits: { min?: string; max?: string; step?: string } = {};
    for (const end of ['min', 'max', 'step'] as const) {
      const at = check[end];
      // Numbers are compared as canonical decimals; dates and times are not numbers and stay.
      if (at !== undefined) limits[end] = canonical(`${at}`) || `${at}`;
    }
    return { type: 'range', ...limits };
  },
};

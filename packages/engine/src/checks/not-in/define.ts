import { define } from '../contract.ts';
import { valuesOption, withoutOne } from '../values-list.ts';

export const notAmong = define({
  type: 'not-in',
  options: { values: valuesOption },
  data: ['value'],
  mutations: (check) => [...withoutOne(check), ['one of its list instead of none', { ...check, type: 'in' }]],
});

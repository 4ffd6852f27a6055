import { define } from '../contract.ts';
import { valuesOption, withoutOne } from '../values-list.ts';

export const among = define({
  type: 'in',
  options: { values: valuesOption },
  data: ['allowed'],
  mutations: (check) => [
    ...withoutOne(check),
    ['forbids the list instead of requiring it', { ...check, type: 'not-in' }],
  ],
});

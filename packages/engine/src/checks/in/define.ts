import { define } from '../contract.ts';
import { readValues, schemaOfValues, withoutOne } from '../values-list.ts';

export const among = define<{ readonly type: 'in'; readonly values: readonly string[] }>({
  type: 'in',
  members: { values: 'needed' },
  read: readValues,
  schemas: [schemaOfValues('in')],
  data: ['allowed'],
  compile: (check) => check,
  mutations: (check) => [
    ...withoutOne(check),
    ['none of its list instead of one', { ...check, type: 'not-in' }],
  ],
});

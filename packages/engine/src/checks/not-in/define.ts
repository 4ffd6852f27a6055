import { define } from '../contract.ts';
import { readValues, schemaOfValues, withoutOne } from '../values-list.ts';

export const notAmong = define<{ readonly type: 'not-in'; readonly values: readonly string[] }>({
  type: 'not-in',
  members: { values: 'needed' },
  read: readValues,
  schemas: [schemaOfValues('not-in')],
  data: ['value'],
  compile: (check) => check,
  mutations: (check) => [...withoutOne(check), ['one of its list instead of none', { ...check, type: 'in' }]],
});

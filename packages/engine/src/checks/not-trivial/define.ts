import { define } from '../contract.ts';

export const notTrivial = define({
  type: 'not-trivial',
  options: {},
  data: ['value'],
  mutations: () => [],
});

import { define } from '../contract.ts';

export const complete = define({
  type: 'complete',
  options: {},
  data: [],
  compile: (check) => check,
  mutations: () => [],
});

import { define } from '../contract.ts';

export const complete = define({
  type: 'complete',
  options: {},
  data: [],
  mutations: () => [],
});

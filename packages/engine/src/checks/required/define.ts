import { define } from '../contract.ts';

export const required = define({
  type: 'required',
  options: {},
  data: [],
  mutations: () => [],
});

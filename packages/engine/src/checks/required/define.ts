import { shape } from '../../options/shapes.ts';
import { define } from '../contract.ts';

export const required = define<{ readonly type: 'required' }>({
  type: 'required',
  members: {},
  read: () => undefined,
  schemas: [shape({ type: { const: 'required' } })],
  data: [],
  compile: (check) => check,
  mutations: () => [],
});

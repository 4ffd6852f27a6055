import { shape } from '../../options/shapes.ts';
import { define } from '../contract.ts';

export const notTrivial = define<{ readonly type: 'not-trivial' }>({
  type: 'not-trivial',
  members: {},
  read: () => undefined,
  schemas: [shape({ type: { const: 'not-trivial' } })],
  data: ['value'],
  compile: (check) => check,
  mutations: () => [],
});

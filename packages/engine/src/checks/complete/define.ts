import { shape } from '../../options/shapes.ts';
import { define } from '../contract.ts';

export const complete = define<{ readonly type: 'complete' }>({
  type: 'complete',
  members: {},
  read: () => undefined,
  schemas: [shape({ type: { const: 'complete' } })],
  data: [],
  compile: (check) => check,
  mutations: () => [],
});

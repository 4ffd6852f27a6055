import { oneOrOther, shape, whole } from '../../options/shapes.ts';
import { define, type Mutation } from '../contract.ts';

export const length = define<{ readonly type: 'length'; readonly min?: number; readonly max?: number }>({
  type: 'length',
  members: { min: 'optional', max: 'optional' },
  read(at) {
    if (at.has('min')) at.get('min').whole();
    if (at.has('max')) at.get('max').whole();
    const { min, max } = at.value as { min?: unknown; max?: unknown };
    if (min === undefined && max === undefined) at.fault('A length needs "min", "max" or both.');
    if (typeof min === 'number' && typeof max === 'number' && max < min)
      at.get('max').fault(`"max" is below "min" (${min}).`, { suggestion: String(min) });
  },
  schemas: [shape({ type: { const: 'length' }, min: whole, max: whole }, [], oneOrOther('min', 'max'))],
  data: ['min', 'max', 'length'],
  numbers: ['min', 'max'],
  compile: (check) => check,
  mutations: (check) =>
    (['min', 'max'] as const).flatMap((end) => {
      const at = check[end];
      if (at === undefined) return [];
      return [at - 1, at + 1]
        .filter((one) => one >= 0)
        .map((one): Mutation => [`${end} ${one} instead of ${at}`, { ...check, [end]: one }]);
    }),
});

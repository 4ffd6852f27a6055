import { oneOrOther } from '../../options/shapes.ts';
import { define, type Mutation } from '../contract.ts';

export const length = define({
  type: 'length',
  options: {
    min: { is: 'whole', label: 'Minimum', at: [], min: 0, max: 1_000_000 },
    max: { is: 'whole', label: 'Maximum', at: [], min: 0, max: 1_000_000 },
  },
  read(at) {
    const { min, max } = at.value as { min?: unknown; max?: unknown };
    if (min === undefined && max === undefined) at.fault('A length needs "min", "max" or both.');
    if (typeof min === 'number' && typeof max === 'number' && max < min)
      at.get('max').fault(`"max" is below "min" (${min}).`, { suggestion: String(min) });
  },
  rest: oneOrOther('min', 'max'),
  data: ['min', 'max', 'length'],
  numbers: ['min', 'max'],
  mutations: (check) =>
    (['min', 'max'] as const).flatMap((end) => {
      const at = check[end];
      if (at === undefined) return [];
      return [at - 1, at + 1]
        .filter((one) => one >= 0)
        .map((one): Mutation => [`${end} ${one} instead of ${at}`, { ...check, [end]: one }]);
    }),
});

import { say, type Texts } from '../../faults/say.ts';
import { documentTexts } from '../../faults/texts.ts';
import { oneOrOther } from '../../options/shapes.ts';
import { define, type Mutation } from '../contract.ts';

const faults = {
  'empty-length': 'A length needs "min", "max" or both.',
} as const satisfies Texts;

export const length = define({
  type: 'length',
  options: {
    min: { is: 'whole', label: 'Minimum', at: [], min: 0, max: 1_000_000 },
    max: { is: 'whole', label: 'Maximum', at: [], min: 0, max: 1_000_000 },
  },
  faults,
  read(at) {
    const { min, max } = at.value as { min?: unknown; max?: unknown };
    if (min === undefined && max === undefined) at.fault(say(faults, 'empty-length'));
    if (typeof min === 'number' && typeof max === 'number' && max < min)
      at.get('max').fault(say(documentTexts, 'max-below-min', { min }), { suggestion: String(min) });
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

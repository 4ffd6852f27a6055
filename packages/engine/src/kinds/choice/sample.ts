import type { TextState } from '../../field/text-state.ts';
import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import type { ChoicePlan } from './run.ts';

const drawn = { list: '⌄', radio: '○', segments: '▭' } as const;

export const drawing: SpecimenRenderer<ChoicePlan, TextState> = {
  isPicked: true,
  sample: ({ plan }) => [
    {
      id: 'options',
      part: 'options',
      text: plan.options[0]?.label ?? '',
      caption: `one of ${plan.options.length}`,
      isValue: true,
    },
    {
      id: 'draw',
      part: 'draw',
      isAside: true,
      text: drawn[plan.draw],
      caption: plan.draw === 'list' ? 'list' : 'buttons',
    },
  ],
};

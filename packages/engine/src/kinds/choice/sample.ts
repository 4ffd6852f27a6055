import type { Body } from '../../field/body.ts';
import type { Drawing } from '../contract/drawing.ts';
import type { ChoicePlan } from './run.ts';

const drawn = { list: '⌄', radio: '○', segments: '▭' } as const;

export const drawing: Drawing<ChoicePlan, Body> = {
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
      caption: plan.draw === 'list' ? 'a list' : 'buttons',
    },
  ],
};

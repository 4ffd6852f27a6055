import type { TextState } from '../../field/text-state.ts';
import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import type { YesNoPlan } from './run.ts';

export const drawing: SpecimenRenderer<YesNoPlan, TextState> = {
  isPicked: true,
  sample: ({ plan: { draw, options } }) => [
    {
      id: 'draw',
      part: 'draw',
      isAside: true,
      text: draw === 'tick' ? '☑' : '○',
      caption: draw === 'tick' ? 'checkbox' : 'buttons',
    },
    { id: 'yes', part: 'yes', text: options[0]?.label ?? '', caption: 'yes', isValue: true },
    {
      id: 'no',
      part: 'no',
      isAside: true,
      text: options[1]?.label ?? 'No',
      caption: 'no',
      isOff: draw === 'tick',
    },
  ],
};

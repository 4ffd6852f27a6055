import type { TextState } from '../../field/text-state.ts';
import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import type { ChoicesPlan } from './run.ts';

export const drawing: SpecimenRenderer<ChoicesPlan, TextState> = {
  isPicked: true,
  sample: ({ plan: { options, least, most } }) => [
    {
      id: 'options',
      part: 'options',
      text: options
        .slice(0, Math.max(2, least))
        .map(({ label }) => label)
        .join('; '),
      caption: `of ${options.length}`,
      isValue: true,
    },
    {
      id: 'count',
      part: 'count',
      isAside: true,
      text: most < options.length ? `${least || 1}–${most}` : `${least || 1}+`,
      caption: 'select',
    },
  ],
};

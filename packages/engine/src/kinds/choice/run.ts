import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { TextState } from '../../field/text-state.ts';
import type { Offer } from '../../options/option.ts';
import { made } from '../../values/made.ts';
import { one, picking, stepAmong } from '../editing/picking.ts';

/** One of several options, drawn as a list, or as radio buttons below or beside each other. */
export interface ChoicePlan {
  readonly kind: 'choice';
  readonly options: readonly Offer[];
  readonly draw: 'list' | 'radio' | 'segments';
}

export const choice: Kind<ChoicePlan, TextState> = /*#__PURE__*/ made(
  (): Kind<ChoicePlan, TextState> => ({
    control: 'picks',
    ...picking<ChoicePlan, TextState>(one),
    reduce: reduceResting,
    step: ({ options, draw }, { content }, _, by) =>
      stepAmong(options, content, by, draw === 'list' ? 'list' : 'ring'),
  }),
);

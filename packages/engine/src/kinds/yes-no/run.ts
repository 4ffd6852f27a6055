import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { TextState } from '../../field/text-state.ts';
import type { Offer } from '../../options/option.ts';
import { made } from '../../values/made.ts';
import { nonePicked, one, picking, stepAmong } from '../editing/picking.ts';

/** Yes or no: a checkbox, which says no until it is ticked, or two radio buttons without a default. */
export interface YesNoPlan {
  readonly kind: 'yes-no';
  readonly draw: 'tick' | 'radio' | 'segments';
  /** The options, yes first; of a checkbox only yes. */
  readonly options: readonly Offer[];
}

/** An unticked checkbox is an answer. */
const unticked: TextState = { content: '', display: '', complete: true };
const isTick = ({ draw }: YesNoPlan): boolean => draw === 'tick';

export const yesNo: Kind<YesNoPlan, TextState> = /*#__PURE__*/ made(
  (): Kind<YesNoPlan, TextState> => ({
    control: 'picks',
    ...picking<YesNoPlan, TextState>({
      ...one,
      empty: (plan) => (isTick(plan) ? unticked : nonePicked),
      value: (plan, { content }) => content || (isTick(plan) ? 'no' : null),
      named(plan, text, beside) {
        // A program may set it as in JSON.
        const said = { true: 'yes', false: 'no' }[text.trim()] ?? text;
        if (isTick(plan) && said.trim().toLowerCase() === 'no') return { body: unticked, leftOut: '' };
        return one.named(plan, said, beside);
      },
      without: (plan) => (isTick(plan) ? unticked : nonePicked),
    }),
    reduce: reduceResting,
    step: (plan, { content }, _, by) =>
      isTick(plan) ? undefined : stepAmong(plan.options, content, by, 'ring'),
  }),
);

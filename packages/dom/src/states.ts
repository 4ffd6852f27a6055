import type { Evaluation, HydratedField } from '@arbeit/engine/field';
import { appearanceOf } from './appearance.ts';

/** How a field is, for whoever styles it: each is an attribute `data-…` while it is so. */
export interface States {
  /** It has the focus. */
  readonly active: boolean;
  /** Something stands in it. */
  readonly filled: boolean;
  /** Something stands in it, and no rule has anything against it. */
  readonly valid: boolean;
  /** An error is shown. */
  readonly wrong: boolean;
  /** An answer is waited for. */
  readonly pending: boolean;
}

/** How a field is, by what is read of it. */
export const statesOf = ({ display, flags, shown }: Evaluation): States => ({
  active: flags.focused,
  filled: display !== '',
  valid: display !== '' && flags.valid,
  wrong: shown.some(({ severity }) => severity === 'error'),
  pending: flags.pending,
});

/**
 * What stands around a field says of it, as attributes: that it is one, its look, its states; a state that is not so is not there. One that does
 * not count in its form is not seen.
 */
export const rootAttributesOf = (
  field: Pick<HydratedField, 'look'>,
  evaluation: Evaluation,
): Readonly<Record<string, unknown>> => ({
  'data-arbeit': 'field',
  ...appearanceOf(field),
  hidden: evaluation.counts ? undefined : true,
  ...Object.fromEntries(
    Object.entries(statesOf(evaluation)).map(([name, isSo]) => [`data-${name}`, isSo ? '' : undefined]),
  ),
});

/** Puts the states of a field on an element; whether it is seen is not among them. */
export function showStates(element: Element, evaluation: Evaluation): void {
  for (const [name, isSo] of Object.entries(statesOf(evaluation)))
    element.toggleAttribute(`data-${name}`, isSo);
}

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

/**
 * The states of a field for styling, from its evaluation.
 *
 * @example
 * const { wrong } = statesOf(store.evaluation());
 */
export const statesOf = ({ display, flags, shown }: Evaluation): States => ({
  active: flags.focused,
  filled: display !== '',
  valid: display !== '' && flags.valid,
  wrong: shown.some(({ severity }) => severity === 'error'),
  pending: flags.pending,
});

/**
 * The attributes of the element around a field: its appearance, its states, and `hidden` while the field
 * does not count in its form.
 *
 * @example
 * const attributes = rootAttributesOf(pass, store.evaluation());
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

/**
 * Sets the states of a field on an element as `data-…` attributes. Does not change whether it is hidden.
 *
 * @example
 * showStates(document.body, store.evaluation());
 */
export function showStates(element: Element, evaluation: Evaluation): void {
  for (const [name, isSo] of Object.entries(statesOf(evaluation)))
    element.toggleAttribute(`data-${name}`, isSo);
}

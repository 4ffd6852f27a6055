import type { Evaluation, HydratedField } from '@arbeit/engine/field';
import { appearanceOf } from './appearance.ts';

/** The states of a field for styling. Each is a `data-…` attribute while it is true. */
export interface States {
  /** The field has the focus. */
  readonly active: boolean;
  /** The field is not empty. */
  readonly filled: boolean;
  /** The field is not empty and passes all its rules. */
  readonly valid: boolean;
  /** Whether an error is shown. */
  readonly wrong: boolean;
  /** A server's answer is pending. */
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

import type { Reading } from '@arbeit/engine/field';

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
export const statesOf = ({ display, flags, shown }: Reading): States => ({
  active: flags.focused,
  filled: display !== '',
  valid: display !== '' && flags.valid,
  wrong: shown.some(({ severity }) => severity === 'error'),
  pending: flags.pending,
});

import type { Rule } from '../rules/rule.ts';

/**
 * A rule of a form. It reads several fields; its message is at one of them and disappears when any of them is
 * corrected.
 */
export interface FormRule extends Rule {
  /** Id of the field with the message. */
  readonly field: string;
}

import type { Rule } from '../rules/rule.ts';

/** A rule of a form: it reads several fields, its message stands at one of them and goes with whichever is mended. */
export interface FormRule extends Rule {
  /** Id of the field its message stands at. */
  readonly field: string;
}

import type { Definition } from '../kinds/contract/definition.ts';
import type { Check } from '../rules/rule.ts';
import type { CheckDocument, CheckType } from './registry.ts';

/** A check made ready to run in a field of that kind. */
export type Compile<T extends CheckType> = (
  check: Extract<CheckDocument, { readonly type: T }>,
  kind: Definition,
) => Extract<Check, { readonly type: T }>;

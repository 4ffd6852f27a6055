import type { Check } from '../rules/rule.ts';
import type { CheckCompiler } from './contract.ts';
import type { CheckDocument, CheckType } from './registry.ts';

/** How a check of this package is compiled. */
export type Compiler<T extends CheckType> = CheckCompiler<
  Extract<CheckDocument, { readonly type: T }>,
  Extract<Check, { readonly type: T }>
>;

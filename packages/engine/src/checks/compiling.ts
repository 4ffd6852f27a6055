import type { Check } from '../rules/rule.ts';
import type { CheckDocument } from './check-document.ts';
import type { CheckCompiler } from './contract.ts';
import type { CheckType } from './registry.ts';

/** How a check of this package is compiled. */
export type Compiler<T extends CheckType> = CheckCompiler<
  Extract<CheckDocument, { readonly type: T }>,
  Extract<Check, { readonly type: T }>
>;

import type { CheckDocument } from './check-document.ts';
import type { CheckWords } from './contract.ts';
import type { CheckType } from './registry.ts';

/** What screens say of a check of this package. */
export type WordsOf<T extends CheckType> = CheckWords<Extract<CheckDocument, { readonly type: T }>>;

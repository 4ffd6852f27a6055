import type { CheckDefinition } from './contract.ts';
import type { CheckType, Definitions } from './registry.ts';

/** Checks of this package as a document writes them, by type. */
type BuiltInChecks = {
  readonly [T in CheckType]: Definitions[T] extends CheckDefinition<infer C> ? C : never;
};

/**
 * Checks as a document writes them, by type. A check that does not come with this package is added by
 * declaration merging, so that documents with it need no cast.
 */
export interface CheckDocuments extends BuiltInChecks {}

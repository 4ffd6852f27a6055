import { namesOfUnused } from '../field/unused-features.ts';
import type { Fields } from './contract/unused-among.ts';
import { unusedFeatures as date } from './date/unused-features.ts';
import type * as features from './editing/features.ts';
import type { PartsPlan } from './editing/parts.ts';
import { unusedFeatures as number } from './number/unused-features.ts';
import { unusedFeatures as pattern } from './pattern/unused-features.ts';

/** Shared features (see `features.ts` of this folder) that none of the fields uses. */
function shared(fields: Fields): readonly string[] {
  const hasWords = fields.some(({ plan }) => (plan as Partial<PartsPlan>).parts?.some(({ words }) => words));
  const has: Readonly<Record<keyof typeof features, boolean>> = { hasPartWords: hasWords };
  return namesOfUnused(has);
}

/** Unused features by kind, for the kinds with a `features.ts`. */
const own: Readonly<Record<string, (fields: Fields) => readonly string[]>> = { date, number, pattern };

/**
 * The features (see `features.ts` of the kind's folder) that none of these fields uses, so that bundling can
 * drop them. `of` is the module a kind ships; without it, features that several kinds share.
 *
 * @example
 * const names: readonly string[] = unusedFeaturesOfKinds([pass], 'pattern');
 */
export const unusedFeaturesIn = (fields: Fields, of?: string): readonly string[] =>
  of === undefined ? shared(fields) : (own[of]?.(fields) ?? []);

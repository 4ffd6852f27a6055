import { carriedBy } from '../rules/checks.ts';
import type { Rule } from '../rules/rule.ts';
import type { CompiledField } from './compiled.ts';
import type * as features from './features.ts';

/**
 * The features (see `features.ts`) that none of these fields and forms uses, so that bundling can drop them.
 *
 * @example
 * const names: readonly string[] = unusedFeaturesOfFields([pass], [booking]);
 */
export function unusedFeatures(
  fields: readonly Pick<CompiledField, 'rules'>[],
  forms: readonly { readonly rules: readonly Rule[] }[],
): readonly string[] {
  const carried = carriedBy([...fields, ...forms].flatMap(({ rules }) => rules));
  const has: Readonly<Record<keyof typeof features, boolean>> = {
    hasForms: forms.length > 0,
    hasChecks: carried.size > 0,
    hasRemoteChecks: carried.has('remoteCheck'),
    hasClearRejected: carried.has('clearRejected'),
  };
  return namesOfUnused(has);
}

/** The names whose value is false. */
export const namesOfUnused = (has: Readonly<Record<string, boolean>>): readonly string[] =>
  Object.keys(has).filter((name) => !has[name]);

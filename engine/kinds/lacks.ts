import type { Plan } from '../field/compiled.ts';
import type * as features from './features.ts';
import type { PartsPlan } from './parts.ts';

/** What of `features.ts` none of some plans has. */
export function lacks(plans: readonly Plan[]): readonly string[] {
  const hasWords = plans.some((plan) => (plan as Partial<PartsPlan>).parts?.some(({ words }) => words));
  const has: Readonly<Record<keyof typeof features, boolean>> = { hasPartWords: hasWords };
  return Object.entries(has).flatMap(([name, isIn]) => (isIn ? [] : [name]));
}

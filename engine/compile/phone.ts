import { allRegions, codeOf, codes, planOf } from '../plans/plans.ts';
import type { PhonePlan, RegionPlan } from '../run/phone.ts';

/** Entry options of kind `phone` as a document writes them. */
export interface PhoneEntry {
  /** Region (ISO 3166-1 alpha-2) whose numbers may be typed without a calling code. */
  readonly home: string;
  readonly regions?: 'any' | readonly string[];
  readonly style?: 'national' | 'international';
  readonly types?: readonly ('mobile' | 'fixed')[];
  readonly extension?: boolean;
}

/** A plan with the numbering plans of the regions that are wanted, and of no other. */
export function planPhone(entry: PhoneEntry): PhonePlan {
  const { home, regions = 'any', style = 'national', types = [], extension = false } = entry;
  const wanted = regions === 'any' ? allRegions : [...new Set([home, ...regions])];
  const plans: Record<string, RegionPlan> = {};
  const shared: Record<string, { regions: string[]; max: number }> = {};
  for (const region of wanted) {
    const plan = planOf(region);
    if (plan) plans[region] = plan;
  }
  for (const { code, regions: served, max } of codes) {
    const here = served.filter((region) => plans[region]);
    if (here.length > 0 || (regions === 'any' && served.length === 0)) shared[code] = { regions: here, max };
  }
  return { kind: 'phone', home, style, types, extension, plans, codes: shared, isListed: regions !== 'any' };
}

export const isRegion = (region: string): boolean => codeOf(region) !== undefined;

import { allRegions, codeOf, codes, planOf } from '../plans/plans.ts';
import type { PhonePlan, RegionPlan } from '../run/phone.ts';
import type { ServedCode } from '../run/phone-plan.ts';

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
  const shared: Record<string, ServedCode> = {};
  for (const region of wanted) {
    const plan = planOf(region);
    if (plan) plans[region] = plan;
  }
  for (const { code, regions: served, max } of codes) {
    const here = served.filter((region) => plans[region]);
    if (here.length === 0 && (regions !== 'any' || served.length > 0)) continue;
    const others = served.filter((region) => !plans[region]).flatMap((region) => planOf(region)?.leads ?? []);
    const isOnlyLed =
      here.length > 0 && !plans[served[0]!] && here.every((region) => plans[region]!.leads.length > 0);
    shared[code] = {
      regions: here,
      max,
      ...(others.length ? { others } : {}),
      ...(isOnlyLed ? { isOnlyLed } : {}),
    };
  }
  const isListed = regions !== 'any';
  const said = { regions: isListed ? `numbers of ${named(wanted)}` : '', types: typesSaid(types) };
  return { kind: 'phone', home, style, types, extension, plans, codes: shared, isListed, wanted: said };
}

const withArticle =
  /^(?:United|Netherlands|Philippines|Maldives|Bahamas|Comoros|Seychelles|Dominican R|Central African|British|U\.S\.)|Islands$|Territor/;

/** Regions by their English names, as the default wording is English; of many the first and a count. */
function named(regions: readonly string[]): string {
  const names = new Intl.DisplayNames('en', { type: 'region' });
  const all = regions
    .map((region) => names.of(region) ?? region)
    .map((name) => (withArticle.test(name) ? `the ${name}` : name));
  const few = all.length > 6 ? [...all.slice(0, 5), `${all.length - 5} other regions`] : all;
  return new Intl.ListFormat('en', { type: 'conjunction' }).format(few);
}

function typesSaid(types: PhoneEntry['types'] = []): string {
  if (types.length !== 1) return 'a mobile or fixed-line number';
  return types[0] === 'mobile' ? 'a mobile number' : 'a fixed-line number';
}

export const isRegion = (region: string): boolean => codeOf(region) !== undefined;

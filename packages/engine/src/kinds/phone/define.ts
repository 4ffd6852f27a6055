import { type EntryOf, type FilledEntry, filled, type Options, yesNo } from '../../options/option.ts';
import { allRegions, codes, planOf } from '../../plans/plans.ts';
import type { RegionPlan } from '../../plans/region-plan.ts';
import type { Definition } from '../contract/definition.ts';
import type { PhonePlan, ServedCode } from './plan.ts';
import { wantedIn } from './wanted.ts';

const region = {
  is: 'text',
  among: () => allRegions,
  expected: '"{}" is not a region with a calling code (ISO 3166-1, two capital letters, e.g. GB).',
  suggestion: 'GB',
} as const;

/** Regions with their names, sorted by name. */
function regionNames(): readonly (readonly [code: string, name: string])[] {
  const names = new Intl.DisplayNames('en-GB', { type: 'region' });
  return allRegions
    .map((code) => [code, names.of(code) ?? code] as const)
    .sort(([, a], [, b]) => a.localeCompare(b, 'en-GB'));
}

const options = {
  home: {
    ...region,
    label: 'Home region (ISO 3166-1)',
    about: 'Numbers of this region may be typed without a calling code.',
    at: ['region'],
    needed: true,
    // The region of the locale, its likeliest if it names none (Unicode CLDR, likely subtags).
    suggestedIn: (locale) => {
      const own = new Intl.Locale(locale).maximize().region ?? '';
      return allRegions.includes(own) ? own : undefined;
    },
    offers: regionNames,
  },
  regions: {
    is: 'list',
    label: 'Accepted regions',
    about: 'Regions whose numbers are accepted.',
    at: ['region'],
    of: region,
    least: 1,
    any: 'any',
    usual: 'any',
  },
  style: {
    is: 'choice',
    label: 'Format of home numbers when not focused',
    at: ['style'],
    choices: [
      ['national', 'national'],
      ['international', 'international'],
    ],
    usual: 'national',
  },
  types: {
    is: 'list',
    label: 'Number types',
    about: 'Accepted number types; leave empty for any.',
    at: ['number'],
    of: {
      is: 'choice',
      choices: [
        ['mobile', 'mobile'],
        ['fixed', 'fixed'],
      ],
    },
    least: 0,
    usual: [],
  },
  extension: yesNo('may be added', 'none', { label: 'Extension', at: ['extension'], usual: false }),
} as const satisfies Options;

export type PhoneEntry = EntryOf<typeof options>;

export const phone: Definition<typeof options, PhonePlan> = {
  name: 'telephone',
  direction: 'ltr',
  valueIs: 'E.164',
  options,
  says: ['wanted'],
  variant: (entry) => ({ wordedAs: wordedAs(entry) }),
  plan: (entry, { language }) => planPhone(filled(options, entry), language),
  attributes: () => ({ type: 'tel', inputmode: 'tel', autocomplete: 'tel' }),
  draws: () => ['regions', 'region-search', 'region-hint', 'no-region'],
  pointless: ['checksum'],
};

/** Which message says what is allowed: numbers of some types, of some regions, or both. */
function wordedAs({ regions = 'any', types }: PhoneEntry): string {
  // An entry that was not read yet may hold anything.
  if (!Array.isArray(types) || types.length === 0) return 'phone';
  const type = types.length > 1 ? 'any' : types[0];
  return `phone-${type}${regions === 'any' ? '' : '-from'}`;
}

/** A plan with the numbering plans of the allowed regions only. */
function planPhone(entry: FilledEntry<typeof options>, language: string): PhonePlan {
  const { home, regions, style, types, extension } = entry;
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
  return {
    kind: 'phone',
    home,
    style,
    types,
    extension,
    plans,
    codes: shared,
    isListed,
    wanted: wantedIn(language, isListed ? wanted : [], types),
  };
}

import { type EntryOf, type FilledEntry, filled, type Options, yesNo } from '../../options/option.ts';
import { allRegions, codes, planOf } from '../../plans/plans.ts';
import type { RegionPlan } from '../../plans/region-plan.ts';
import type { Definition } from '../contract/definition.ts';
import type { PhonePlan, ServedCode } from './plan.ts';

const region = {
  is: 'text',
  among: () => allRegions,
  expected: '"{}" is no region with a calling code (ISO 3166-1, two capital letters).',
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
    offers: regionNames,
  },
  regions: {
    is: 'list',
    label: 'Numbers from',
    about: 'Regions whose numbers are wanted.',
    at: ['region'],
    of: region,
    least: 1,
    any: 'any',
    usual: 'any',
  },
  style: {
    is: 'choice',
    label: 'At rest, a home number is',
    at: ['style'],
    choices: [
      ['national', 'national'],
      ['international', 'international'],
    ],
    usual: 'national',
  },
  types: {
    is: 'list',
    label: 'Telephones',
    about: 'Types of numbers that are wanted; none named means any.',
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
  options,
  says: ['wanted'],
  plan: (entry, { locale }) => planPhone(filled(options, entry), wantedIn(locale)),
  attributes: () => ({ type: 'tel', inputmode: 'tel', autocomplete: 'tel' }),
  pointless: ['checksum'],
};

/** A plan with the numbering plans of the allowed regions only. */
function planPhone(entry: FilledEntry<typeof options>, say: Wanted): PhonePlan {
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
  const said = { regions: isListed ? say.of(wanted) : '', types: typesSaid(types, say) };
  return { kind: 'phone', home, style, types, extension, plans, codes: shared, isListed, wanted: said };
}

const withArticle =
  /^(?:United|Netherlands|Philippines|Maldives|Bahamas|Comoros|Seychelles|Dominican R|Central African|British|U\.S\.)|Islands$|Territor/;

/** Names of regions in a language; of many, the first ones and a count. */
function named(regions: readonly string[], language: string, others: string): string {
  const names = new Intl.DisplayNames(language, { type: 'region' });
  const all = regions
    .map((region) => names.of(region) ?? region)
    .map((name) => (language === 'en' && withArticle.test(name) ? `the ${name}` : name));
  const few = all.length > 6 ? [...all.slice(0, 5), `${all.length - 5} ${others}`] : all;
  return new Intl.ListFormat(language, { type: 'conjunction' }).format(few);
}

/** The allowed numbers in the words of a message, by language. */
interface Wanted {
  of(regions: readonly string[]): string;
  readonly mobile: string;
  readonly fixed: string;
  readonly any: string;
}

const english: Wanted = {
  of: (regions) => `numbers of ${named(regions, 'en', 'other regions')}`,
  mobile: 'a mobile number',
  fixed: 'a fixed-line number',
  any: 'a mobile or fixed-line number',
};

const german: Wanted = {
  of: (regions) => `eine Nummer aus: ${named(regions, 'de', 'weiteren Ländern')}`,
  mobile: 'eine Mobilnummer',
  fixed: 'eine Festnetznummer',
  any: 'eine Mobil- oder Festnetznummer',
};

const french: Wanted = {
  of: (regions) => `un numéro de : ${named(regions, 'fr', 'autres pays')}`,
  mobile: 'un numéro de mobile',
  fixed: 'un numéro fixe',
  any: 'un numéro de mobile ou fixe',
};

const spanish: Wanted = {
  of: (regions) => `un número de: ${named(regions, 'es', 'otros países')}`,
  mobile: 'un número de móvil',
  fixed: 'un número fijo',
  any: 'un número de móvil o fijo',
};

const italian: Wanted = {
  of: (regions) => `un numero di: ${named(regions, 'it', 'altri paesi')}`,
  mobile: 'un numero di cellulare',
  fixed: 'un numero fisso',
  any: 'un numero di cellulare o fisso',
};

const japanese: Wanted = {
  of: (regions) => `${named(regions, 'ja', 'か国')}の番号`,
  mobile: '携帯電話の番号',
  fixed: '固定電話の番号',
  any: '携帯電話または固定電話の番号',
};

const wanted: Readonly<Record<string, Wanted>> = {
  de: german,
  fr: french,
  es: spanish,
  it: italian,
  ja: japanese,
};
const wantedIn = (locale: string): Wanted => wanted[locale.split('-')[0] ?? ''] ?? english;

const typesSaid = ([first, second]: NonNullable<PhoneEntry['types']> = [], say: Wanted): string =>
  first === undefined || second !== undefined ? say.any : say[first];

import { callingCodes } from './calling-codes.ts';
import type { PhoneFormat, RegionPlan } from './region-plan.ts';
import { leadingDigits, regionPlans } from './regions.ts';

/** One calling code: the regions it serves, the main one first, and the digits after it. */
export interface CallingCode {
  readonly code: string;
  readonly regions: readonly string[];
  readonly min: number;
  readonly max: number;
}

export const codes: readonly CallingCode[] = callingCodes
  .trim()
  .split('\n')
  .map((line) => {
    const [code = '', regions = '', min = '', max = ''] = line.split(' ');
    return { code, regions: regions === '-' ? [] : regions.split(','), min: +min, max: +max };
  });

/**
 * Every region (ISO 3166-1) with a calling code, sorted by code.
 *
 * @example
 * allRegions.includes('GB'); // true
 */
export const allRegions: readonly string[] = [...new Set(codes.flatMap(({ regions }) => regions))].sort();

/** Regions whose plan is known in full. */
export const plannedRegions: readonly string[] = Object.keys(regionPlans).sort();

/**
 * The calling code of a region (ITU-T E.164) without `+`; `undefined` for an unknown region.
 *
 * @example
 * codeOf('FR')?.code; // '33'
 */
export const codeOf = (region: string): CallingCode | undefined =>
  codes.find(({ regions }) => regions.includes(region));

const types = { m: 'mobile', f: 'fixed', e: 'either', o: 'other' } as const;

function readFormat(text: string): PhoneFormat {
  const match = /^([mfeo]) (\S+) (\d+)(?:-(\d+))? (.+)$/.exec(text);
  if (!match) throw new RangeError(`A numbering plan does not read: ${text}`);
  const [, type, starts = '', min = '', max, writing = ''] = match;
  const [national = '', given] = writing.split('>');
  const plain = national.replace(/\d/g, '').replace(/[()]/g, '').replace(/\s+/g, ' ').trim();
  return {
    type: types[type as 'm'],
    starts: starts.split(','),
    min: +min,
    max: +(max ?? min),
    national,
    international: given ?? plain,
  };
}

/**
 * The plan of a region; `undefined` if there is no such region. If only its lengths are known, numbers are
 * grouped by three.
 */
export function planOf(region: string): RegionPlan | undefined {
  const code = codeOf(region);
  if (!code) return undefined;
  const leads = leadingDigits[region]?.split(',') ?? [];
  // A region without a plan of its own is written like the main one of its calling code.
  const written = regionPlans[region] ?? regionPlans[code.regions[0]!];
  if (!written) {
    const writing = '### ### ### ### ###';
    const { min, max } = code;
    const any: PhoneFormat = {
      type: 'either',
      starts: [''],
      min,
      max,
      national: writing,
      international: writing,
    };
    return { code: code.code, trunk: '', idd: '00', leads, formats: [any] };
  }
  const [head = '', ...formats] = written.split('|');
  const [own = '', trunk = '', idd = ''] = head.split(' ').map((part) => (part === '-' ? '' : part));
  return { code: own, trunk, idd, leads, formats: formats.map(readFormat) };
}

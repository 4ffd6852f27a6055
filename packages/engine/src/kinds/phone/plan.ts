import type { PhoneFormat, RegionPlan } from '../../plans/region-plan.ts';
import { itemAt } from '../../values/item-at.ts';

/** A telephone field, ready to run: which formats a number can still become, and its region. */

export interface PhonePlan {
  readonly kind: 'phone';
  readonly home: string;
  readonly style: 'national' | 'international';
  /** Allowed types; empty for any. */
  readonly types: readonly ('mobile' | 'fixed')[];
  readonly extension: boolean;
  readonly plans: Readonly<Record<string, RegionPlan>>;
  /** Regions of each calling code, the main one first, and the most digits after the code. */
  readonly codes: Readonly<Record<string, ServedCode>>;
  /**
   * Whether only some regions are allowed. Then a number from elsewhere is not allowed, rather than unknown.
   */
  readonly isListed: boolean;
  /**
   * What a message says is allowed: `Switzerland or Germany`, `a mobile number`.
   */
  readonly wanted: string;
}

export interface ServedCode {
  readonly regions: readonly string[];
  readonly max: number;
  /** Leading digits of the regions of this code that are not allowed. */
  readonly others?: readonly string[];
  /**
   * If the main region is not allowed, digits that lead to no region belong to it, and so are not allowed
   * either.
   */
  readonly isOnlyLed?: boolean;
}

/** Stands for a region that is not allowed. */
export const elsewhere = '-';

/** Longest number in digits, with its calling code (E.164). */
export const longest = 15;

/**
 * How far leading digits match a number: their length if all of them do, 0 if not, -1 if they still could.
 */
function agrees(start: string, digits: string): number {
  let at = 0;
  for (let i = 0; i < start.length; i++, at++) {
    const c = itemAt(start, i);
    if (at >= digits.length) return -1;
    const digit = itemAt(digits, at);
    if (c === '[') {
      const end = start.indexOf(']', i);
      if (!inClass(start.slice(i + 1, end), digit)) return 0;
      i = end;
    } else if (c !== '?' && c !== digit) return 0;
  }
  return at || 0.5;
}

function inClass(text: string, digit: string): boolean {
  for (let i = 0; i < text.length; i++) {
    if (text[i + 1] === '-') {
      if (digit >= itemAt(text, i) && digit <= itemAt(text, i + 2)) return true;
      i += 2;
    } else if (text[i] === digit) return true;
  }
  return false;
}

/** The formats a number has or can still have, the most specific first. */
export interface Candidates {
  /** Formats whose leading digits match completely. */
  readonly sure: readonly PhoneFormat[];
  /** Formats whose leading digits are not all typed yet. */
  readonly open: readonly PhoneFormat[];
}

interface Known {
  readonly byDigits: Map<string, Candidates>;
  /** How many leading digits decide everything. */
  readonly telling: number;
}

const known = new WeakMap<RegionPlan, Known>();

export function knownOf(plan: RegionPlan): Known {
  let found = known.get(plan);
  if (!found) {
    const lengths = plan.formats.flatMap(({ starts }) =>
      starts.map((start) => start.replace(/\[[^\]]*\]/g, '?').length),
    );
    found = { byDigits: new Map(), telling: Math.max(1, ...lengths) };
    known.set(plan, found);
  }
  return found;
}

export function candidatesFor(plan: RegionPlan, digits: string): Candidates {
  const { byDigits: cache, telling } = knownOf(plan);
  const key = digits.slice(0, telling);
  let found = cache.get(key);
  if (!found) {
    let most = 0;
    let sure: PhoneFormat[] = [];
    const open: PhoneFormat[] = [];
    for (const format of plan.formats) {
      let best = 0;
      for (const start of format.starts) {
        const how = agrees(start, key);
        if (how > 0 ? how > best : how < 0 && best === 0) best = how;
      }
      if (best < 0) open.push(format);
      else if (best > most) {
        most = best;
        sure = [format];
      } else if (best === most && best > 0) sure.push(format);
    }
    found = { sure, open };
    // A server reads any number of numbers; a page reads few.
    if (cache.size > 5000) cache.clear();
    cache.set(key, found);
  }
  return found;
}

/** The format a number is displayed in while it is typed: the first that is long enough for it. */
export function formatFor(digits: string, { sure, open }: Candidates): PhoneFormat | undefined {
  for (const format of sure) if (digits.length <= format.max) return format;
  return sure.at(-1) ?? open[0];
}

export const none: Candidates = { sure: [], open: [] };

/** Regions of a calling code by their leading digits, and the length of these. */
export interface Leads {
  readonly main: string;
  readonly regions: ReadonlyMap<string, string>;
  readonly lengths: readonly number[];
  readonly longest: number;
}

const leadsOf = new WeakMap<object, Leads>();

export function leadsIn(plan: PhonePlan, code: string): Leads | undefined {
  const served = plan.codes[code];
  if (!served) return undefined;
  let leads = leadsOf.get(served);
  if (!leads) {
    const regions = new Map<string, string>();
    for (const region of served.regions)
      for (const lead of plan.plans[region]?.leads ?? []) regions.set(lead, region);
    for (const lead of served.others ?? []) regions.set(lead, elsewhere);
    const lengths = [...new Set([...regions.keys()].map((lead) => lead.length))];
    leads = {
      main: served.isOnlyLed ? elsewhere : (served.regions[0] ?? ''),
      regions,
      lengths,
      longest: Math.max(0, ...lengths),
    };
    leadsOf.set(served, leads);
  }
  return leads;
}

export function regionIn(leads: Leads, digits: string): string {
  for (const length of leads.lengths) {
    const region = digits.length >= length && leads.regions.get(digits.slice(0, length));
    if (region) return region;
  }
  // While the leading digits are incomplete, the number may still become an allowed one.
  return leads.main === elsewhere && digits.length < leads.longest ? '' : leads.main;
}

import { around } from './around.ts';
import type { Reason } from './cells.ts';
import { fold } from './graphemes.ts';
import type { Finding, Kind } from './kind.ts';
import { type Cleaned, type LineBody, lineKind, type Put } from './line.ts';

export type PhoneType = 'mobile' | 'fixed' | 'either' | 'other';

/** One way of writing numbers of a region. Digits are counted without trunk prefix. */
export interface PhoneFormat {
  readonly type: PhoneType;
  /** Leading digits: a digit, `?` for any, `[2-5]` for one of these. */
  readonly starts: readonly string[];
  readonly min: number;
  readonly max: number;
  /** `#` a digit, a digit one of the trunk prefix, anything else as it stands. */
  readonly national: string;
  readonly international: string;
}

export interface RegionPlan {
  readonly code: string;
  /** What is dialled before a number inside the region, and before a calling code; '' for nothing. */
  readonly trunk: string;
  readonly idd: string;
  /** Leading digits that tell the region from others of its calling code; none for the main one. */
  readonly leads: readonly string[];
  readonly formats: readonly PhoneFormat[];
}

export interface PhonePlan {
  readonly kind: 'phone';
  readonly home: string;
  readonly style: 'national' | 'international';
  /** Types that are wanted; empty for any. */
  readonly types: readonly ('mobile' | 'fixed')[];
  readonly extension: boolean;
  readonly plans: Readonly<Record<string, RegionPlan>>;
  /** Regions of each calling code, the main one first, and the most digits behind it. */
  readonly codes: Readonly<Record<string, { readonly regions: readonly string[]; readonly max: number }>>;
  /** Whether only some regions are wanted: then a number from elsewhere is no unknown one but not allowed. */
  readonly isListed: boolean;
}

/** What a number is made of. */
interface Read {
  /** `+`, an international prefix, a trunk prefix, or nothing. */
  readonly lead: string;
  /** Calling code where it is written; '' while it is not known yet, and nationally. */
  readonly code: string;
  /** Region; '' where none is known. */
  readonly region: string;
  /** The number without any of these. */
  readonly digits: string;
  readonly extension: string | undefined;
  readonly formats: Candidates;
  readonly own: RegionPlan | undefined;
  /** From this many digits on, region and formats stay what they are. */
  readonly settled: number;
}

export interface PhoneBody extends LineBody {
  readonly read: Read;
  readonly finding: Finding;
  readonly format: PhoneFormat | undefined;
}

/** E.164: calling code and number together. */
const longest = 15;

/** How far leading digits agree with a number: their length once all are there, 0 for not at all, -1 while they still could. */
export function agrees(start: string, digits: string): number {
  let at = 0;
  for (let i = 0; i < start.length; i++, at++) {
    const c = start[i]!;
    if (at >= digits.length) return -1;
    const digit = digits[at]!;
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
      if (digit >= text[i]! && digit <= text[i + 2]!) return true;
      i += 2;
    } else if (text[i] === digit) return true;
  }
  return false;
}

/** The formats a number is or can still become one of: the most telling first. */
interface Candidates {
  /** Leading digits all there. */
  readonly sure: readonly PhoneFormat[];
  /** Leading digits not all there yet. */
  readonly open: readonly PhoneFormat[];
}

interface Known {
  readonly byDigits: Map<string, Candidates>;
  /** How many leading digits decide everything. */
  readonly telling: number;
}

const known = new WeakMap<RegionPlan, Known>();

function knownOf(plan: RegionPlan): Known {
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

function candidatesFor(plan: RegionPlan, digits: string): Candidates {
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
    cache.set(key, found);
  }
  return found;
}

/** The format a number is written by while it is typed: the first that is long enough for it. */
function formatFor({ digits, formats: { sure, open } }: Read): PhoneFormat | undefined {
  for (const format of sure) if (digits.length <= format.max) return format;
  return sure.at(-1) ?? open[0];
}

const none: Candidates = { sure: [], open: [] };

/** Regions of a calling code by their leading digits, and how long these are. */
interface Leads {
  readonly main: string;
  readonly regions: ReadonlyMap<string, string>;
  readonly lengths: readonly number[];
  readonly longest: number;
}

const leadsOf = new WeakMap<object, Leads>();

function leadsIn(plan: PhonePlan, code: string): Leads | undefined {
  const served = plan.codes[code];
  if (!served) return undefined;
  let leads = leadsOf.get(served);
  if (!leads) {
    const regions = new Map<string, string>();
    for (const region of served.regions)
      for (const lead of plan.plans[region]?.leads ?? []) regions.set(lead, region);
    const lengths = [...new Set([...regions.keys()].map((lead) => lead.length))];
    leads = { main: served.regions[0] ?? '', regions, lengths, longest: Math.max(0, ...lengths) };
    leadsOf.set(served, leads);
  }
  return leads;
}

function regionIn(leads: Leads, digits: string): string {
  for (const length of leads.lengths) {
    const region = digits.length >= length && leads.regions.get(digits.slice(0, length));
    if (region) return region;
  }
  return leads.main;
}

/** Takes content apart: digits, a `+` in front where there is one, an `x` before an extension. */
function takeApart(plan: PhonePlan, content: string): Read {
  if (content !== lastContent || plan !== lastPlan) {
    lastRead = apart(plan, content);
    lastContent = content;
    lastPlan = plan;
  }
  return lastRead!;
}

// A key is looked at to see whether it is taken, and laid out when it is: the same content twice.
let lastPlan: PhonePlan | undefined;
let lastContent = '';
let lastRead: Read | undefined;

function apart(plan: PhonePlan, content: string): Read {
  const mark = plan.extension ? content.indexOf('x') : -1;
  const number = mark < 0 ? content : content.slice(0, mark);
  const extension = mark < 0 ? undefined : content.slice(mark + 1);
  const home = plan.plans[plan.home];
  const isPlus = number.charCodeAt(0) === 43;
  if (isPlus || (home?.idd && home.trunk !== home.idd && number.startsWith(home.idd))) {
    const lead = isPlus ? '+' : home!.idd;
    const behind = number.slice(lead.length);
    for (let length = 1; length <= 3 && length <= behind.length; length++) {
      const code = behind.slice(0, length);
      const leads = leadsIn(plan, code);
      if (leads) return readOf(plan, leads, lead, code, behind.slice(length), extension);
    }
    return {
      lead,
      code: '',
      region: '',
      digits: behind,
      extension,
      formats: none,
      own: undefined,
      settled: longest,
    };
  }
  const trunk = home?.trunk ?? '';
  const hasLead =
    trunk !== '' && (number.startsWith(trunk) || (number.length < trunk.length && trunk.startsWith(number)));
  const lead = hasLead ? number.slice(0, trunk.length) : '';
  const digits = hasLead ? number.slice(trunk.length) : number;
  const leads = home && leadsIn(plan, home.code);
  if (leads) return readOf(plan, leads, lead, '', digits, extension);
  return { lead, code: '', region: plan.home, digits, extension, formats: none, own: home, settled: longest };
}

function readOf(
  plan: PhonePlan,
  leads: Leads,
  lead: string,
  code: string,
  digits: string,
  extension: string | undefined,
): Read {
  const region = regionIn(leads, digits);
  const own = plan.plans[region];
  if (!own) return { lead, code, region, digits, extension, formats: none, own, settled: longest };
  const { telling } = knownOf(own);
  const settled = telling > leads.longest ? telling : leads.longest;
  return { lead, code, region, digits, extension, formats: candidatesFor(own, digits), own, settled };
}

/** A writing, ready: for each digit the fixed text before it. */
interface Writings {
  /** The national one with its trunk prefix, and without. */
  readonly national: readonly string[];
  readonly bare: readonly string[];
  readonly international: readonly string[];
  readonly hasTrunk: boolean;
}

const ready = new WeakMap<PhoneFormat, Writings>();

function writingsOf(format: PhoneFormat): Writings {
  let found = ready.get(format);
  if (!found) {
    const { national, international } = format;
    // Where the trunk prefix is left out, so is the blank behind it.
    const bare = national.replace(/\d+ ?/g, '');
    found = {
      national: fixedIn(national),
      bare: fixedIn(bare),
      international: fixedIn(international),
      hasTrunk: /\d/.test(national),
    };
    ready.set(format, found);
  }
  return found;
}

function fixedIn(template: string): string[] {
  const before: string[] = [];
  let fixed = '';
  for (const c of template) {
    if (c === '#' || (c >= '0' && c <= '9')) {
      before.push(fixed);
      fixed = '';
    } else fixed += c;
  }
  return before;
}

/** Digits into a writing; fixed text comes with the digit behind it. What is over goes on behind. */
function written(before: readonly string[], digits: string): string {
  let text = '';
  for (let i = 0; i < digits.length; i++) {
    const fixed = before[i];
    if (fixed) text += fixed;
    text += digits[i];
  }
  return text;
}

function lay(plan: PhonePlan, content: string): PhoneBody {
  const read = takeApart(plan, content);
  const { lead, code, digits, extension, own } = read;
  const format = digits || !code ? formatFor(read) : undefined;
  let display: string;
  if (code || lead === '+' || (own === undefined && lead)) {
    const number = format ? written(writingsOf(format).international, digits) : digits;
    const before = lead === '+' ? '+' : `${lead}${code ? ' ' : ''}`;
    display = before + code + (code && digits ? ' ' : '') + number;
  } else if (format) {
    const { national, bare, hasTrunk } = writingsOf(format);
    // A trunk prefix the writing has no place for stands before it.
    if (lead && hasTrunk) display = written(national, lead + digits);
    else display = (lead && digits ? `${lead} ` : lead) + written(bare, digits);
  } else display = lead + digits;
  if (extension !== undefined) display += ` ext. ${extension}`;
  return bodyOf(content, display, read, verdictOf(plan, read), format);
}

function bodyOf(
  content: string,
  display: string,
  read: Read,
  finding: Finding,
  format: PhoneFormat | undefined,
): PhoneBody {
  const complete = content !== '' && finding === passes;
  return {
    content,
    display,
    complete,
    from: 0,
    to: display.length,
    skip: 0,
    head: -1,
    read,
    finding,
    format,
  };
}

/**
 * The key that nearly always comes: a digit behind everything else, once the leading digits have settled which format
 * it is. Then nothing need be worked out again. `undefined` where it takes more than that.
 */
function typedOn(plan: PhonePlan, body: PhoneBody, c: string): PhoneBody | undefined {
  const { read, format } = body;
  const { lead, code, region, digits, extension, formats, own, settled } = read;
  const { length } = digits;
  if (!format || c < '0' || c > '9' || c.length > 1 || extension !== undefined) return undefined;
  if (length < settled || length >= format.max || format !== formats.sure[0]) return undefined;
  const { national, bare, international, hasTrunk } = writingsOf(format);
  const before = code
    ? international[length]
    : lead && hasTrunk
      ? national[length + lead.length]
      : bare[length];
  const next: Read = { lead, code, region, digits: digits + c, extension, formats, own, settled };
  return bodyOf(body.content + c, body.display + (before ?? '') + c, next, verdictOf(plan, next), format);
}

const passes: Finding = { verdict: 'pass', code: '', data: {} };
const isOpen: Finding = { verdict: 'open', code: 'incomplete', data: {} };
const unknown: Finding = { verdict: 'fail', code: 'unknown-number', data: {} };
const notAllowed: Finding = { verdict: 'fail', code: 'not-allowed', data: {} };

/** Whether a number is one, can still become one, or cannot. */
function verdictOf(plan: PhonePlan, read: Read): Finding {
  const { lead, code, digits, extension, own } = read;
  if (!own) {
    if (code === '') {
      const couldBe = lead === '' || Object.keys(plan.codes).some((known) => known.startsWith(digits));
      return couldBe ? isOpen : plan.isListed ? notAllowed : unknown;
    }
    // A calling code that serves no region: only the length is known.
    const most = plan.codes[code]?.max ?? longest;
    return digits.length > most ? unknown : digits.length === most ? passes : isOpen;
  }
  // What is typed so far may be the beginning of an international prefix.
  const length = lead.length + digits.length;
  const home = length < 4 && !code ? plan.plans[plan.home] : undefined;
  if (home && length < home.idd.length && home.idd.startsWith(lead + digits)) return isOpen;
  const { sure, open } = read.formats;
  let isOther = open.length > 0;
  for (const format of sure) {
    const { length } = digits;
    if (length > format.max) continue;
    if (!isWanted(plan, format)) isOther = true;
    else if (length < format.min || extension === '') return isOpen;
    else return passes;
  }
  for (const format of open) if (isWanted(plan, format) && digits.length <= format.max) return isOpen;
  return isOther ? notAllowed : unknown;
}

const isWanted = ({ types }: PhonePlan, { type }: PhoneFormat): boolean =>
  types.length === 0 || type === 'either' || types.includes(type as 'mobile');

/** The most digits that can stand behind the lead and the calling code. */
function most(plan: PhonePlan, { code, own, formats: { sure, open } }: Read): number {
  if (!own) return (plan.codes[code]?.max ?? longest - code.length) || longest;
  let length = 0;
  for (const { max } of sure.length ? sure : own.formats) if (max > length) length = max;
  for (const { max } of open) if (max > length) length = max;
  return length;
}

function put(plan: PhonePlan, content: string, at: number, character: string): Put | Reason {
  const c = fold(character);
  const next = (text: string): Put => ({
    content: content.slice(0, at) + text + content.slice(at),
    at: at + 1,
  });
  const mark = content.indexOf('x');
  if (c >= '0' && c <= '9' && c.length === 1) {
    if (at === 0 && content[0] === '+') return 'not-accepted';
    const more = next(c);
    if (mark >= 0 && at > mark) return content.length - mark > 7 ? 'full' : more;
    const read = takeApart(plan, more.content);
    const { length } = read.digits;
    const first = read.formats.sure[0];
    return (first && length <= first.max) || length <= most(plan, read) ? more : 'full';
  }
  if (c === '+') {
    if (content[0] === '+') return at <= 1 ? { content, at: 1 } : 'not-accepted';
    return at === 0 ? next('+') : 'not-accepted';
  }
  if (plan.extension && (c === 'x' || c === 'X' || c === '#') && at === content.length && mark < 0)
    return verdictOf(plan, takeApart(plan, content)) === passes ? next('x') : 'not-accepted';
  return 'not-accepted';
}

/**
 * A pasted number as it would be typed: `tel:` URIs (RFC 3966) with their context and extension, a `(0)` behind a
 * calling code, and whatever people put between the digits.
 */
function clean(plan: PhonePlan, text: string, into: string): Cleaned {
  if (text.length > 400) return { text, leftOut: '' };
  const folded = [...text].map(fold).join('').trim();
  const uri = /^(?:tel:)([^;?]*)(.*)$/is.exec(folded);
  let number = uri ? uri[1]! : folded;
  let extension: string | undefined;
  let lost = '';
  if (uri) {
    const context = /;phone-context=(\+[\d-]+)/i.exec(uri[2]!)?.[1];
    if (context && !number.startsWith('+')) number = context + number;
    extension = /;ext=([\d-]+)/i.exec(uri[2]!)?.[1]?.replace(/\D/g, '');
    lost = extension ?? '';
  } else {
    const behind = /\s*(?:;?ext(?:ension)?[.:=]?|(?<=[\d\s])x|#)\s*(\d{0,7})\s*$/i.exec(number);
    if (behind && /\d/.test(number.slice(0, behind.index))) {
      extension = behind[1]!;
      lost = behind[0].replace(/[^\p{L}\p{N}]/gu, '');
      number = number.slice(0, behind.index);
    }
  }
  if (into) number = number.replace(/^(\s*)\+/, '$1');
  const isInternational = /^\D*\+/.test(number) || into.startsWith('+');
  if (isInternational) number = number.replace(/\(\s*0\s*\)/, '');
  const plus = isInternational && !into ? '+' : '';
  const digits = number.replace(/\D/g, '');
  const other = number.replace(/[^\p{L}\p{N}\p{So}]|\d/gu, '');
  const mark = extension !== undefined && plan.extension ? `x${extension}` : '';
  return { text: digits ? plus + digits + mark : text, leftOut: digits ? other + (mark ? '' : lost) : '' };
}

const editing = lineKind<PhonePlan, PhoneBody>({
  lay,
  is: (_, unit) => (unit >= 48 && unit <= 57) || unit === 43 || unit === 120,
  put,
  clean,
});

function value(plan: PhonePlan, body: PhoneBody): string | null {
  if (!body.complete) return null;
  const { code, region, digits, extension } = body.read;
  const number = `+${code || plan.plans[region]!.code}${digits}`;
  return extension ? `${number};ext=${extension}` : number;
}

/** Kind `phone`: value E.164, with an extension as RFC 3966 writes it. */
export const phone: Kind<PhonePlan, PhoneBody> = {
  ...editing,
  key(plan, body, start, end, character) {
    const next = start === end && start === body.to ? typedOn(plan, body, character) : undefined;
    return next ? { body: next, caret: next.to } : editing.key(plan, body, start, end, character);
  },
  raw: (_, body) => body.content,
  value,
  hasRoom: (plan, body) => body.read.digits.length < most(plan, body.read),
  read(plan, text) {
    return editing.insert(plan, lay(plan, ''), 0, 0, text.replace(';ext=', 'x'));
  },
  around,
  rest(plan, body) {
    if (!body.complete) return body;
    const { code, region, digits, extension } = body.read;
    const own = plan.plans[region];
    const home = plan.plans[plan.home];
    if (!own) return body;
    const isHome = home !== undefined && own.code === home.code;
    const format = formatFor(body.read);
    const hasTrunk = format !== undefined && /\d/.test(format.national);
    const national = (hasTrunk ? own.trunk : '') + digits;
    const isNational = isHome && plan.style === 'national';
    const number = isNational ? national : `+${code || own.code}${digits}`;
    const content = number + (extension === undefined ? '' : `x${extension}`);
    return content === body.content ? body : lay(plan, content);
  },
  judge(_, body, check) {
    return check.type === 'complete' ? body.finding : undefined;
  },
  facts(_, body) {
    const { region, digits, formats } = body.read;
    const type = digits ? formats.sure[0]?.type : undefined;
    return { region, ...(type && type !== 'either' ? { type } : {}) };
  },
};

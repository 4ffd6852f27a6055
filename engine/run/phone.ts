import type { Reason } from './cells.ts';
import { fold } from './graphemes.ts';
import type { Finding, Kind, Verdict } from './kind.ts';
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
}

export interface PhoneBody extends LineBody {
  readonly read: Read;
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

const known = new WeakMap<RegionPlan, Map<string, Candidates>>();

/** Leading digits are never longer than this, so what follows decides nothing. */
const telling = 5;

function candidatesFor(plan: RegionPlan, digits: string): Candidates {
  let cache = known.get(plan);
  if (!cache) {
    cache = new Map();
    known.set(plan, cache);
  }
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
function formatFor(plan: RegionPlan, digits: string): PhoneFormat | undefined {
  const { sure, open } = candidatesFor(plan, digits);
  for (const format of sure) if (digits.length <= format.max) return format;
  return sure.at(-1) ?? open[0];
}

const regionFor = (plan: PhonePlan, code: string, digits: string): string => {
  const regions = plan.codes[code]?.regions ?? [];
  for (const region of regions)
    for (const lead of plan.plans[region]?.leads ?? []) if (digits.startsWith(lead)) return region;
  return regions[0] ?? '';
};

/** Takes content apart: digits, a `+` in front where there is one, an `x` before an extension. */
function takeApart(plan: PhonePlan, content: string): Read {
  const mark = content.indexOf('x');
  const number = mark < 0 ? content : content.slice(0, mark);
  const extension = mark < 0 ? undefined : content.slice(mark + 1);
  const home = plan.plans[plan.home];
  const isPlus = number.charCodeAt(0) === 43;
  const isDialled =
    !isPlus &&
    home !== undefined &&
    home.idd !== '' &&
    number.startsWith(home.idd) &&
    home.trunk !== home.idd;
  if (isPlus || isDialled) {
    const lead = isPlus ? '+' : home!.idd;
    const behind = number.slice(lead.length);
    for (let length = 1; length <= 3 && length <= behind.length; length++) {
      const code = behind.slice(0, length);
      if (!plan.codes[code]) continue;
      const digits = behind.slice(length);
      return { lead, code, region: regionFor(plan, code, digits), digits, extension };
    }
    return { lead, code: '', region: '', digits: behind, extension };
  }
  const trunk = home?.trunk ?? '';
  const lead =
    trunk && (number.startsWith(trunk) || trunk.startsWith(number)) ? number.slice(0, trunk.length) : '';
  const digits = number.slice(lead.length);
  return {
    lead,
    code: '',
    region: home ? regionFor(plan, home.code, digits) || plan.home : plan.home,
    digits,
    extension,
  };
}

/** Digits into a writing; fixed text comes with the digit behind it. What is over goes on behind. */
function written(template: string, lead: string, digits: string): string {
  let text = '';
  let fixed = '';
  let used = 0;
  let ahead = lead;
  for (let i = 0; i < template.length && (ahead || used < digits.length); i++) {
    const c = template[i]!;
    if (c === '#') {
      // A trunk prefix the writing has no place for stands before it.
      if (ahead) {
        text += ahead + (used < digits.length ? ' ' : '');
        ahead = '';
      }
      if (used >= digits.length) break;
      text += fixed + digits[used++];
      fixed = '';
    } else if (c >= '0' && c <= '9') {
      if (!ahead) continue;
      text += fixed + c;
      fixed = '';
      ahead = ahead.slice(1);
    } else if (text || c !== ' ') fixed += c;
  }
  return text + ahead + digits.slice(used);
}

function lay(plan: PhonePlan, content: string): PhoneBody {
  const read = takeApart(plan, content);
  const { lead, code, region, digits, extension } = read;
  const own = plan.plans[region];
  const format = own && (digits || !code) ? formatFor(own, digits) : undefined;
  let display: string;
  if (code || lead === '+' || (own && lead === own.idd && lead !== own.trunk && lead !== '')) {
    const number = format ? written(format.international, '', digits) : digits;
    const before = lead === '+' ? '+' : `${lead}${code || digits ? ' ' : ''}`;
    display = before + code + (code && digits ? ' ' : '') + number;
  } else display = format ? written(format.national, lead, digits) : lead + digits;
  if (extension !== undefined) display += ` ext. ${extension}`;
  const complete = content !== '' && verdictOf(plan, read).verdict === 'pass';
  return { content, display, complete, from: 0, to: display.length, skip: 0, head: -1, read };
}

const passes = { verdict: 'pass', code: '' } as const;
const isOpen = { verdict: 'open', code: 'incomplete' } as const;

/** Whether a number is one, can still become one, or cannot. */
function verdictOf(
  plan: PhonePlan,
  { lead, code, region, digits, extension }: Read,
): { verdict: Verdict; code: string } {
  const elsewhere = { verdict: 'fail', code: plan.isListed ? 'not-allowed' : 'unknown-number' } as const;
  if ((lead === '+' || (code === '' && lead === plan.plans[plan.home]?.idd)) && code === '') {
    const couldBe = Object.keys(plan.codes).some((known) => known.startsWith(digits));
    return couldBe ? isOpen : elsewhere;
  }
  const own = plan.plans[region];
  if (!own) {
    // A calling code that serves no region: only the length is known.
    const most = plan.codes[code]?.max ?? longest;
    return digits.length > most
      ? { verdict: 'fail', code: 'unknown-number' }
      : digits.length === most
        ? passes
        : isOpen;
  }
  if (!code && plan.plans[plan.home]?.idd.startsWith(lead + digits)) return isOpen;
  const { sure, open } = candidatesFor(own, digits);
  const isWanted = ({ type }: PhoneFormat) =>
    plan.types.length === 0 || type === 'either' || plan.types.includes(type as 'mobile');
  let isOther = false;
  let canGrow = false;
  for (const format of sure) {
    if (digits.length > format.max) continue;
    if (!isWanted(format)) isOther = true;
    else if (digits.length >= format.min) return extension === '' ? isOpen : passes;
    else canGrow = true;
  }
  if (canGrow || open.some((format) => isWanted(format) && digits.length <= format.max)) return isOpen;
  return { verdict: 'fail', code: isOther || open.length > 0 ? 'not-allowed' : 'unknown-number' };
}

/** The most digits that can stand behind the lead and the calling code. */
function most(plan: PhonePlan, { code, region, digits }: Read): number {
  const own = plan.plans[region];
  if (!own) return (plan.codes[code]?.max ?? longest - code.length) || longest;
  const { sure, open } = candidatesFor(own, digits);
  let length = 0;
  for (const { max } of sure) if (max > length) length = max;
  if (sure.length === 0) for (const { max } of own.formats) if (max > length) length = max;
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
    const grown = next(c);
    if (mark >= 0 && at > mark) return content.length - mark > 7 ? 'full' : grown;
    const read = takeApart(plan, grown.content);
    return read.digits.length > most(plan, read) ? 'full' : grown;
  }
  if (c === '+') {
    if (content[0] === '+') return at <= 1 ? { content, at: 1 } : 'not-accepted';
    return at === 0 ? next('+') : 'not-accepted';
  }
  if (plan.extension && (c === 'x' || c === 'X' || c === '#') && at === content.length && mark < 0)
    return verdictOf(plan, takeApart(plan, content)).verdict === 'pass' ? next('x') : 'not-accepted';
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
  raw: (_, body) => body.content,
  value,
  hasRoom: (plan, body) => body.read.digits.length < most(plan, body.read),
  read(plan, text) {
    return editing.insert(plan, lay(plan, ''), 0, 0, text.replace(';ext=', 'x'));
  },
  rest(plan, body) {
    if (!body.complete) return body;
    const { code, region, digits, extension } = body.read;
    const own = plan.plans[region];
    const home = plan.plans[plan.home];
    if (!own) return body;
    const isHome = home !== undefined && own.code === home.code;
    const format = formatFor(own, digits);
    const hasTrunk = format !== undefined && /\d/.test(format.national);
    const national = (hasTrunk ? own.trunk : '') + digits;
    const isNational = isHome && plan.style === 'national';
    const number = isNational ? national : `+${code || own.code}${digits}`;
    const content = number + (extension === undefined ? '' : `x${extension}`);
    return content === body.content ? body : lay(plan, content);
  },
  judge(plan, body, check): Finding | undefined {
    return check.type === 'complete' ? { ...verdictOf(plan, body.read), data: {} } : undefined;
  },
  facts(plan, body) {
    const { region, digits } = body.read;
    const own = plan.plans[region];
    const type = own && digits ? candidatesFor(own, digits).sure[0]?.type : undefined;
    return { region, ...(type && type !== 'either' ? { type } : {}) };
  },
};

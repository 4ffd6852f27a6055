import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { EditResult, InsertResult, Reason } from '../../field/text-state.ts';
import type { PhoneFormat } from '../../plans/region-plan.ts';
import { type Finding, incomplete, passed } from '../../rules/finding.ts';
import { fold, toldOf } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { made } from '../../values/made.ts';
import { type Cleaned, type ContentEdit, type LineBody, lineKind } from '../editing/line.ts';
import { type Read, takeApart } from './number.ts';
import { elsewhere, formatFor, longest, type PhonePlan } from './plan.ts';
import { writingsOf, written } from './writing.ts';

/** The text state of a telephone number: its components and findings. */
export interface PhoneBody extends LineBody {
  readonly read: Read;
  readonly finding: Finding;
  readonly format: PhoneFormat | undefined;
}

const lay = (plan: PhonePlan, content: string): PhoneBody => layOut(plan, content, takeApart(plan, content));

function layOut(plan: PhonePlan, content: string, read: Read): PhoneBody {
  const { lead, code, digits, extension, own } = read;
  const format = digits || !code ? formatFor(digits, read.formats) : undefined;
  let display: string;
  if (code || lead === '+' || (own === undefined && lead)) {
    const number = format ? written(writingsOf(format).international, digits) : digits;
    const before = lead === '+' ? '+' : `${lead}${code ? ' ' : ''}`;
    display = before + code + (code && digits ? ' ' : '') + number;
  } else if (format) {
    const { national, bare, hasTrunk } = writingsOf(format);
    // A trunk prefix that the format has no place for is displayed before it.
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
  const complete = content !== '' && finding === passed;
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
 * The fast path for the most common key, a digit after all others: the number is split once, and not at all
 * once the leading digits have decided the format. `undefined` if more is needed.
 */
function typedOn(plan: PhonePlan, body: PhoneBody, c: string): PhoneBody | undefined {
  const { read } = body;
  if (c < '0' || c > '9' || c.length > 1 || read.extension !== undefined) return undefined;
  const settled = settledOn(plan, body, c);
  if (settled) return settled;
  const content = body.content + c;
  const next = takeApart(plan, content);
  return hasPlace(plan, next) ? layOut(plan, content, next) : undefined;
}

/** The fixed text that the format has before the next digit after all others. */
function fixedBefore({ lead, code, digits: { length } }: Read, format: PhoneFormat): string | undefined {
  const { national, bare, international, hasTrunk } = writingsOf(format);
  if (code) return international[length];
  return lead && hasTrunk ? national[length + lead.length] : bare[length];
}

/**
 * Whether a character belongs to the fixed text that comes with the next digit. Typed anyway, it is passed,
 * not rejected.
 */
function isPassed({ read, format }: PhoneBody, character: string): boolean {
  // A space follows a calling code.
  if (read.code && !read.digits) return character === ' ';
  return format !== undefined && (fixedBefore(read, format) ?? '').includes(character);
}

function settledOn(plan: PhonePlan, body: PhoneBody, c: string): PhoneBody | undefined {
  const { read, format } = body;
  const { lead, code, region, digits, formats, own, settled } = read;
  const { length } = digits;
  if (!format || length < settled || length >= format.max || format !== formats.sure[0]) return undefined;
  const before = fixedBefore(read, format);
  const next: Read = { lead, code, region, digits: digits + c, extension: undefined, formats, own, settled };
  // If every type is allowed, a number that is too short can only be open.
  const isShort = plan.types.length === 0 && length + 1 < format.min;
  const finding = isShort ? incomplete : verdictOf(plan, next);
  const display = before ? body.display + before + c : body.display + c;
  return bodyOf(body.content + c, display, next, finding, format);
}

const unknown: Finding = { verdict: 'fail', code: 'unknown-number', data: {} };

const known = new Map<string, Finding>();

/** Returns one shared finding per text, so that a key creates none. */
function notWanted(wanted: string): Finding {
  let finding = known.get(wanted);
  if (!finding) {
    finding = { verdict: 'fail', code: 'not-allowed', data: { wanted } };
    known.set(wanted, finding);
  }
  return finding;
}

/** Whether a number is valid, can still become valid, or cannot. */
function verdictOf(plan: PhonePlan, read: Read): Finding {
  const { lead, code, digits, extension, own } = read;
  if (!own) {
    if (read.region === elsewhere) return notWanted(plan.wanted);
    if (code === '') {
      const couldBe = lead === '' || Object.keys(plan.codes).some((known) => known.startsWith(digits));
      return couldBe ? incomplete : plan.isListed ? notWanted(plan.wanted) : unknown;
    }
    if (plan.codes[code]?.isOnlyLed) return incomplete;
    // A calling code without a region: only the length is known.
    const most = plan.codes[code]?.max ?? longest;
    return digits.length > most ? unknown : digits.length === most ? passed : incomplete;
  }
  // The text so far may be the beginning of an international prefix.
  const length = lead.length + digits.length;
  const home = length < 4 && !code ? plan.plans[plan.home] : undefined;
  if (home && length < home.idd.length && home.idd.startsWith(lead + digits)) return incomplete;
  const { sure, open } = read.formats;
  let isOther = open.length > 0;
  for (const format of sure) {
    const { length } = digits;
    if (length > format.max) continue;
    if (!isWanted(plan, format)) isOther = true;
    else if (length < format.min || extension === '') return incomplete;
    else return passed;
  }
  for (const format of open) if (isWanted(plan, format) && digits.length <= format.max) return incomplete;
  return isOther ? notWanted(plan.wanted) : unknown;
}

const isWanted = ({ types }: PhonePlan, { type }: PhoneFormat): boolean =>
  types.length === 0 || type === 'either' || types.includes(type as 'mobile');

/** The most digits that fit after the lead and the calling code. */
function most(plan: PhonePlan, { code, region, own, formats: { sure, open } }: Read): number {
  // In national notation, a number of another region that shares the calling code is as long as at home.
  const served = code || (region === elsewhere ? (plan.plans[plan.home]?.code ?? '') : '');
  if (!own) return (plan.codes[served]?.max ?? longest - code.length) || longest;
  let length = 0;
  for (const { max } of sure.length ? sure : own.formats) if (max > length) length = max;
  for (const { max } of open) if (max > length) length = max;
  return length;
}

/** Whether all digits of a number fit. */
export function hasPlace(plan: PhonePlan, read: Read): boolean {
  const { length } = read.digits;
  const first = read.formats.sure[0];
  return (first !== undefined && length <= first.max) || length <= most(plan, read);
}

/** Maximum length of an extension, in digits. */
const longestExtension = 7;

function insertCharacter(
  plan: PhonePlan,
  content: string,
  at: number,
  character: string,
): ContentEdit | Reason {
  const c = fold(character);
  const next = (text: string): ContentEdit => ({
    content: content.slice(0, at) + text + content.slice(at),
    at: at + 1,
  });
  const mark = content.indexOf('x');
  if (c >= '0' && c <= '9' && c.length === 1) {
    if (at === 0 && content[0] === '+') return 'not-accepted';
    const more = next(c);
    if (mark >= 0 && at > mark) return content.length - mark > longestExtension ? 'full' : more;
    return hasPlace(plan, takeApart(plan, more.content)) ? more : 'full';
  }
  if (c === '+') {
    if (content[0] === '+') return at <= 1 ? { content, at: 1 } : 'not-accepted';
    return at === 0 ? next('+') : 'not-accepted';
  }
  if (plan.extension && (c === 'x' || c === 'X' || c === '#') && at === content.length && mark < 0)
    return verdictOf(plan, takeApart(plan, content)) === passed ? next('x') : 'not-accepted';
  return 'not-accepted';
}

/**
 * A pasted number as it would be typed: reads `tel:` URIs (RFC 3966) with context and extension, a `(0)`
 * after a calling code, and whatever people put between digits.
 */
function clean(plan: PhonePlan, text: string, into: string): Cleaned {
  if (text.length > 400) return { text, leftOut: '' };
  const folded = [...text].map(fold).join('').trim();
  const uri = /^(?:tel:)([^;?]*)(.*)$/is.exec(folded);
  let number = uri ? itemAt(uri, 1) : folded;
  let extension: string | undefined;
  let lost = '';
  if (uri) {
    const context = /;phone-context=(\+[\d-]+)/i.exec(itemAt(uri, 2))?.[1];
    if (context && !number.startsWith('+')) number = context + number;
    extension = /;ext=([\d-]+)/i.exec(itemAt(uri, 2))?.[1]?.replace(/\D/g, '');
    lost = extension ?? '';
  } else {
    const behind = /\s*(?:;?ext(?:ension)?[.:=]?|(?<=[\d\s])x|#)\s*(\d{0,7})\s*$/i.exec(number);
    if (behind && /\d/.test(number.slice(0, behind.index))) {
      extension = itemAt(behind, 1);
      lost = behind[0].replace(/[^\p{L}\p{N}]/gu, '');
      number = number.slice(0, behind.index);
    }
  }
  if (into) number = number.replace(/^(\s*)\+/, '$1');
  const idd = plan.plans[plan.home]?.idd ?? '';
  const isInternational = /^\D*\+/.test(number) || into.startsWith('+');
  // Also after the prefix that is dialled for it, of the home region or the most common one.
  const isDialled = number.replace(/\D/g, '').startsWith(idd || '00') || /^\D*00/.test(number);
  if (isInternational || isDialled) number = withoutTrunk(plan, number, idd);
  const plus = isInternational && !into ? '+' : '';
  const digits = number.replace(/\D/g, '');
  const other = number.replace(/[^\p{L}\p{N}\p{So}]|\d/gu, '');
  const mark = extension !== undefined && plan.extension ? `x${extension}` : '';
  return { text: digits ? plus + digits + mark : text, leftOut: digits ? other + (mark ? '' : lost) : '' };
}

/**
 * An international number without the `(0)` that is dialled only inside the region. In regions without this
 * digit (Italy) the 0 is part of the number and is kept.
 */
function withoutTrunk(plan: PhonePlan, number: string, idd: string): string {
  const shorter = number.replace(/\(\s*0\s*\)/, '');
  const digits = shorter.replace(/\D/g, '');
  const prefix = [idd, '00'].find((one) => one && !shorter.includes('+') && digits.startsWith(one)) ?? '';
  const { own } = takeApart(plan, `+${digits.slice(prefix.length)}`);
  return own && own.trunk !== '0' ? number : shorter;
}

const editing = /*#__PURE__*/ lineKind<PhonePlan, PhoneBody>({
  lay,
  is: (_, unit) => (unit >= 48 && unit <= 57) || unit === 43 || unit === 120,
  insertCharacter,
  clean,
});

function value(plan: PhonePlan, body: PhoneBody): string | null {
  if (!body.complete) return null;
  const { code, region, digits, extension } = body.read;
  const number = `+${code || itemAt(plan.plans, region).code}${digits}`;
  return extension ? `${number};ext=${extension}` : number;
}

/**
 * A digit too many for a number of the home region, if with it the number has the region's calling code in
 * front and lacks only its `+`: `79…` in Russia, `447…` in Britain.
 */
function codeTyped(plan: PhonePlan, body: PhoneBody, c: string): EditResult<PhoneBody> | undefined {
  const { content, finding } = body;
  const code = plan.plans[plan.home]?.code ?? '';
  if (!code || !content.startsWith(code) || !/^\d+$/.test(content + c)) return undefined;
  if (finding.verdict !== 'fail') return undefined;
  const read = takeApart(plan, `+${content}${c}`);
  if (!hasPlace(plan, read)) return undefined;
  const next = layOut(plan, `+${content}${c}`, read);
  return next.finding.verdict === 'fail' ? undefined : { body: next, caret: next.to };
}

/**
 * Reads a number given with the home region's calling code and without `+`, as autofill does
 * (`447700900123`). Applies only if the number is not valid, nor the beginning of a valid one, as it stands,
 * and is valid that way.
 */
function withCode(
  plan: PhonePlan,
  taken: InsertResult<PhoneBody>,
  text: string,
): InsertResult<PhoneBody> | undefined {
  const code = plan.plans[plan.home]?.code ?? '';
  const digits = text.replace(/\D/g, '');
  if (!code || text.includes('+') || !digits.startsWith(code)) return undefined;
  // Everything was accepted, and it is a number or the beginning of one.
  if (!taken.leftOut && verdictOf(plan, taken.body.read).verdict !== 'fail') return undefined;
  const other = editing.insert(plan, lay(plan, ''), 0, 0, `+${digits}`);
  return other.body.complete && !other.leftOut ? other : undefined;
}

const digitsIn = (text: string): number => text.replace(/\D/g, '').length;

/**
 * Reads a whole text as a number. Rejects a text that is not exactly one number: `3ext`, two numbers, a
 * number with extra digits. Words around a number are left out and reported.
 */
function readWhole(plan: PhonePlan, text: string): InsertResult<PhoneBody> {
  const empty = lay(plan, '');
  const taken = editing.insert(plan, empty, 0, 0, text);
  const read = withCode(plan, taken, text) ?? taken;
  const { leftOut, body } = read;
  const hasSpare = digitsIn(leftOut) > digitsIn(clean(plan, text, '').leftOut);
  if (read.rejected || leftOut === '' || (body.complete && !hasSpare)) return read;
  return { body: empty, caret: 0, leftOut: toldOf(text), rejected: 'not-accepted' };
}

/**
 * The content in the field's style: a home number as the style requires, a foreign one with its calling code.
 */
function styled(plan: PhonePlan, body: PhoneBody): string {
  if (!body.complete) return body.content;
  const { code, region, digits, extension, formats } = body.read;
  const own = plan.plans[region];
  const home = plan.plans[plan.home];
  if (!own) return body.content;
  const isHome = home !== undefined && own.code === home.code;
  const format = formatFor(digits, formats);
  const hasTrunk = format !== undefined && /\d/.test(format.national);
  const national = (hasTrunk ? own.trunk : '') + digits;
  const abroad = `+${code || own.code}${digits}`;
  // A trunk prefix can turn it into another number (in Japan, 0 before 10… dials abroad). Then it keeps its
  // calling code.
  const isSame = (number: string): boolean => {
    const read = takeApart(plan, number);
    return read.digits === digits && read.region === region;
  };
  const isNational = isHome && plan.style === 'national' && isSame(national);
  const mark = extension === undefined ? '' : `x${extension}`;
  if (!isNational && !isSame(abroad)) return body.content;
  return (isNational ? national : abroad) + mark;
}

/** Kind `phone`. The value is E.164, with an extension as in RFC 3966. */
export const phone: Kind<PhonePlan, PhoneBody> = /*#__PURE__*/ made(
  (): Kind<PhonePlan, PhoneBody> => ({
    adornments: () => ['region-list'],
    ...editing,
    key(plan, body, start, end, character) {
      const next = start === end && start === body.to ? typedOn(plan, body, character) : undefined;
      if (next) return { body: next, caret: next.to };
      const edited = editing.key(plan, body, start, end, character);
      if (typeof edited !== 'string' || start !== end || start !== body.to) return edited;
      if (edited === 'full') return codeTyped(plan, body, fold(character)) ?? edited;
      return edited === 'not-accepted' && isPassed(body, character) ? { body, caret: start } : edited;
    },
    raw: (_, body) => body.content,
    value,
    hasRoom: (plan, { read }) => {
      const { digits, extension } = read;
      if (extension !== undefined) return extension.length < longestExtension;
      // A complete number may have an extension.
      return digits.length < most(plan, read) || (plan.extension && verdictOf(plan, read) === passed);
    },
    insert(plan, body, start, end, text) {
      const isWhole = start <= 0 && end >= body.display.length;
      return body.content && !isWhole ? editing.insert(plan, body, start, end, text) : readWhole(plan, text);
    },
    readText: readWhole,
    parse(plan, text) {
      const empty = lay(plan, '');
      const taken = editing.insert(plan, empty, 0, 0, text.replace(';ext=', 'x'));
      return withCode(plan, taken, text) ?? taken;
    },
    reduce: reduceResting,
    normalizeOnBlur: (plan, body) => {
      const content = styled(plan, body);
      return content === body.content ? body : lay(plan, content);
    },
    toResting(plan, body) {
      const content = styled(plan, body);
      if (content === body.content) return body;
      const { display, to } = lay(plan, content);
      return { ...body, display, to };
    },
    toEditing: (plan, body) => lay(plan, body.content),
    validate(_, body, check) {
      return check.type === 'complete' ? body.finding : undefined;
    },
    facts(_, body) {
      const { region, digits, formats } = body.read;
      const type = digits ? formats.sure[0]?.type : undefined;
      return { region, ...(type && type !== 'either' ? { type } : {}) };
    },
  }),
);

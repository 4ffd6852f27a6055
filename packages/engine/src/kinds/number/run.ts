import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { Reason } from '../../field/text-state.ts';
import { type Finding, passed, type Verdict } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { add, canonical, compare, hasMultiple, isMultiple, places } from '../../values/decimal.ts';
import { fold, localized } from '../../values/graphemes.ts';
import { type Cleaned, type ContentEdit, type LineBody, lineKind } from '../editing/line.ts';
import { hasDigits, hasNegative, hasPad, hasRange, hasRight, hasSingular } from './features.ts';

/** A number, an amount of money (ISO 4217) or a percentage, with its locale's conventions. */
export interface NumberPlan {
  readonly kind: 'number' | 'currency' | 'percent';
  /** Text before and after the digits, for non-negative and negative numbers. */
  readonly around: readonly [prefix: string, suffix: string];
  readonly aroundNegative: readonly [prefix: string, suffix: string];
  /** The sign of a minus; its first occurrence in the negative prefix is the typed one. */
  readonly minus: string;
  readonly decimal: string;
  readonly group: string;
  /** Sizes of the last group and of those before, and the digits needed before the first separator. */
  readonly sizes: readonly [last: number, others: number, least: number];
  /** The locale's ten digits; empty for ASCII. */
  readonly digits: string;
  /** Fewest decimals of a complete value, and most that can be typed. */
  readonly least: number;
  readonly most: number;
  readonly fill: 'left' | 'right';
  readonly grouping: 'typing' | 'leave' | 'never';
  /** Whether decimals are filled to `least` on blur. */
  readonly pad: boolean;
  readonly negative: 'no' | 'minus' | 'parentheses';
  /** Step and limits of the arrow keys as decimals; empty for none. */
  readonly step: string;
  readonly min: string;
  readonly max: string;
  /**
   * The unit after one: always after 1, and where the locale counts so after 0, after 1 with zero decimals,
   * and after fractions.
   */
  readonly singular?: {
    readonly of: string;
    readonly one: string;
    readonly zero: boolean;
    readonly padded: boolean;
    readonly parts: boolean;
  };
  /** Words and signs of this field that a paste may contain: currency sign and code, unit. */
  readonly own: readonly string[];
}

/** Largest number of digits: beyond any real number, and few enough for a page not to wait. */
const most = 400;

const withGroups = (plan: NumberPlan, whole: string): string => {
  const [last, others, least] = plan.sizes;
  let end = whole.length - last;
  if (end < least) return whole;
  let text = whole.slice(end);
  for (; end > others; end -= others) text = whole.slice(end - others, end) + plan.group + text;
  return whole.slice(0, end) + plan.group + text;
};

/** Whether digits count as one in the locale. */
function isOne({ zero, padded, parts }: NonNullable<NumberPlan['singular']>, digits: string): boolean {
  const [whole = '', fraction = ''] = canonical(digits).split('.');
  if (whole !== '1' && whole !== '0') return false;
  if (!fraction) return whole === '1' || zero;
  return /[1-9]/.test(fraction) || whole === '0' ? parts : padded;
}

const inSingular = ({ of, one }: NonNullable<NumberPlan['singular']>, suffix: string): string =>
  suffix.replace(of, one);

/** Digits from the right, with their decimal point. */
function pointed({ most }: NumberPlan, digits: string): string {
  if (!most) return digits;
  const full = digits.padStart(most + 1, '0');
  return `${full.slice(0, -most)}.${full.slice(-most)}`;
}

/** The text state of content; `isResting` adds what is only shown without focus. */
function layOut(plan: NumberPlan, content: string, isResting: boolean): LineBody {
  const isNegative = hasNegative && content.charCodeAt(0) === 45;
  let digits = isNegative ? content.slice(1) : content;
  let skip = 0;
  if (hasRight && plan.fill === 'right' && digits) {
    digits = digits.replace(/^0+(?=.)/, '');
    content = isNegative ? `-${digits}` : digits;
    skip = plan.most && Math.max(0, plan.most + 1 - digits.length);
    digits = pointed(plan, digits);
  }
  if (!content) return { content, display: '', complete: false, from: 0, to: 0, skip: 0, head: -1 };
  const complete = digits !== '' && digits !== '.';
  if (isResting && complete) {
    digits = canonical(digits);
    const lacking = plan.least - places(digits);
    if (hasPad && plan.pad && lacking > 0) digits += (places(digits) ? '' : '.') + '0'.repeat(lacking);
  }
  const point = digits.indexOf('.');
  let text = point < 0 ? digits : digits.slice(0, point);
  if (plan.grouping === 'typing' || (isResting && plan.grouping === 'leave')) text = withGroups(plan, text);
  if (point >= 0) text += plan.decimal + digits.slice(point + 1);
  if (hasDigits) text = localized(plan.digits, text);
  const [prefix, plural] = isNegative ? plan.aroundNegative : plan.around;
  const suffix =
    hasSingular && plan.singular && isOne(plan.singular, digits) ? inSingular(plan.singular, plural) : plural;
  const from = prefix.length;
  return {
    content,
    display: prefix + text + suffix,
    complete,
    from,
    to: from + text.length,
    skip,
    head: isNegative ? Math.max(0, prefix.indexOf(plan.minus)) : -1,
  };
}

const lay = (plan: NumberPlan, content: string): LineBody => layOut(plan, content, false);

/** Content as a canonical decimal; as typed if there is no digit yet. */
function decimalOf(plan: NumberPlan, content: string): string {
  if (!hasRight || plan.fill === 'left' || !plan.most) {
    // Content is usually canonical as typed, which its first and last characters show.
    const first = content.charCodeAt(0);
    const isPlain = first > 48 && first < 58 && content.charCodeAt(content.length - 1) !== 46;
    return isPlain ? content : canonical(content);
  }
  const isNegative = content.startsWith('-');
  const digits = content.slice(isNegative ? 1 : 0);
  if (!digits) return '';
  return (isNegative ? '-' : '') + pointed(plan, digits);
}

/** The content that typing a decimal would lead to. It may not have more decimals than can be typed. */
function contentOf(plan: NumberPlan, decimal: string): string {
  if (!hasRight || plan.fill === 'left') return decimal;
  const [whole = '', fraction = ''] = decimal.split('.');
  return whole + fraction.padEnd(plan.most, '0');
}

function insertCharacter(
  plan: NumberPlan,
  content: string,
  at: number,
  character: string,
): ContentEdit | Reason {
  const c = fold(character);
  const isNegative = hasNegative && content.charCodeAt(0) === 45;
  const unit = c.charCodeAt(0);
  if (unit >= 48 && unit <= 57 && c.length === 1) {
    const into = isNegative && at === 0 ? 1 : at;
    if (content.length >= most) return 'full';
    const point = content.indexOf('.');
    if (point >= 0 && into > point && content.length - point > plan.most) return 'too-many-decimals';
    if (hasRight && plan.fill === 'right') return putRight(content, isNegative, into, c);
    return { content: content.slice(0, into) + c + content.slice(into), at: into + 1 };
  }
  if (c === '-' || c === '−' || c === plan.minus || (c === '(' && plan.negative === 'parentheses')) {
    if (!hasNegative || plan.negative === 'no' || (at > 0 && !(isNegative && at === 1)))
      return 'not-accepted';
    return { content: isNegative ? content : `-${content}`, at: 1 };
  }
  if (c === '.' || c === ',' || c === plan.decimal) {
    if (!plan.most || (hasRight && plan.fill === 'right')) return 'not-accepted';
    const point = content.indexOf('.');
    if (point >= 0) return point === at ? { content, at: at + 1 } : 'not-accepted';
    const into = isNegative && at === 0 ? 1 : at;
    if (content.length - into > plan.most) return 'too-many-decimals';
    return { content: `${content.slice(0, into)}.${content.slice(into)}`, at: into + 1 };
  }
  return 'not-accepted';
}

/** Inserts a digit, cents first. Leading zeros do not count. */
function putRight(content: string, isNegative: boolean, at: number, c: string): ContentEdit | Reason {
  const first = isNegative ? 1 : 0;
  const digits = content.slice(first);
  if (digits === '0')
    return c === '0' ? 'not-accepted' : { content: content.slice(0, first) + c, at: first + 1 };
  if (c === '0' && at === first && digits) return 'not-accepted';
  return { content: content.slice(0, at) + c + content.slice(at), at: at + 1 };
}

const signs = /[\p{Sc}\u200e\u200f\u061c\u202a-\u202e\u2066-\u2069]/gu;

/**
 * Reads an amount in any common notation: `1.234,56`, `1,234.56`, `1 234,56`, `1'234.50`, `(12.50)`, `12-`.
 * Of two separators the last is the decimal one. A separator that occurs twice groups. A single one before
 * exactly three digits is ambiguous: the locale decides, and the decision is reported.
 */
function clean(plan: NumberPlan, text: string, into: string): Cleaned {
  const shown = into ? undefined : ownContent(plan, text.trim());
  if (shown !== undefined) return { text: shown, leftOut: '' };
  const bare = dropOwn(plan, text);
  const amount = amountIn(plan, bare.text);
  if (!amount) {
    // Digits that do not form an amount (`1/2`, `5-3`, a date) would become another number without what is
    // between.
    const isSeveral = /\p{Nd}[^\p{Nd}]+\p{Nd}/u.test(bare.text);
    if (isSeveral) return { text: '', leftOut: (text.match(/[\p{L}\p{N}]/gu) ?? []).join('') };
    return { text: bare.text.replace(signs, ''), leftOut: bare.leftOut };
  }
  const { whole, fraction, point, isNegative, assumed } = amount;
  const minus = isNegative && plan.negative !== 'no' && (into === '' || into === '-') ? '-' : '';
  const kept = fraction.slice(0, plan.most);
  const decimal = minus + whole + (point && plan.most ? `.${kept}` : '');
  return {
    text:
      hasRight && plan.fill === 'right' && point && plan.most > 0
        ? contentOf(plan, decimal).replace(/^(-?)0+(?=\d)/, '$1')
        : decimal,
    // A minus that is left out changes the amount, so it is reported although it is not a letter.
    leftOut: (isNegative && !minus ? '-' : '') + bare.leftOut + fraction.slice(plan.most),
    ...(assumed ? { assumed } : {}),
  };
}

/** The content of a text that is exactly this field's display. */
function ownContent(plan: NumberPlan, text: string): string | undefined {
  if (text.length > most) return undefined;
  for (const sign of !hasNegative || plan.negative === 'no' ? [''] : ['-', '']) {
    const [prefix, plural] = sign ? plan.aroundNegative : plan.around;
    const single = hasSingular && plan.singular ? inSingular(plan.singular, plural) : plural;
    const suffix = text.endsWith(plural.trim()) ? plural : single;
    if (!text.startsWith(prefix.trim()) || !text.endsWith(suffix.trim())) continue;
    const inner = text.slice(prefix.trim().length, text.length - suffix.trim().length).trim();
    const plain = [...inner.replaceAll(plan.group, '').replace(plan.decimal, '.')].map(fold).join('');
    if (!/^\d*\.?\d*$/.test(plain)) continue;
    const digits =
      hasRight && plan.fill === 'right' ? plain.replace('.', '').replace(/^0+(?=\d)/, '') : plain;
    if (lay(plan, sign + digits).display.trim() === text) return sign + digits;
  }
  return undefined;
}

/** The text without the field's own sign, code and unit, spaces and marks. Other letters are reported. */
function dropOwn(plan: NumberPlan, text: string): { text: string; leftOut: string } {
  let rest = text;
  for (const word of plan.own) rest = rest.replace(word, ' ');
  const leftOut = (rest.match(/\p{L}+/gu) ?? []).join('');
  return { text: leftOut ? rest.replace(/\p{L}+\.?/gu, ' ') : rest, leftOut };
}

/** Digits with group separators: none, threes, twos before a three, or fours. */
const grouped = /^(?:\d+|[1-9]\d{0,2}(?:[^\d]+\d{2,3})*[^\d]+\d{3}|[1-9]\d{0,3}(?:[^\d]+\d{4})+)?[^\d]?$/;

function amountIn(plan: NumberPlan, given: string) {
  const text = [...given.replace(signs, '').trim()]
    .map(fold)
    .join('')
    .replace(/[−–]/g, '-')
    .replace(/’/g, "'");
  const match = /^(\(\s*-?|-\s*)?(\d[\d.,'_٫٬\s]*|[.,٫]\d[\d]*)(\s*-|\s*\))?$/u.exec(text);
  if (!match) return undefined;
  const number = match[2]!.replace(/\s/g, ' ').trim();
  const used = [...new Set(number.replace(/[\d\s]/g, ''))];
  let last = number.length - 1;
  while (last >= 0 && !".,'_٫٬".includes(number[last]!)) last--;
  const sign = number[last] ?? '';
  let point = -1;
  let assumed = '';
  if (sign && '.,٫'.includes(sign)) {
    const isAgain = number.indexOf(sign) !== last;
    const behind = number.slice(last + 1);
    const before = number.slice(0, last);
    const isAlone = used.length === 1 && !/\s/.test(before);
    if (isAgain) point = -1;
    else if (isAlone && /^\d{3}$/.test(behind) && /^[1-9]\d{0,2}$/.test(before)) {
      const isGroup = sign === plan.group || !plan.most || (sign !== plan.decimal && plan.most < 3);
      if (!isGroup) point = last;
      assumed = `${isGroup ? 'group' : 'decimal'} ${sign}`;
    } else point = last;
  }
  const digits = (part: string): string => part.replace(/\D/g, '');
  if (
    !grouped.test(point < 0 ? number : number.slice(0, point)) ||
    (/\D/.test(number.slice(point + 1).trim()) && point >= 0)
  )
    return undefined;
  return {
    whole: digits(point < 0 ? number : number.slice(0, point)),
    fraction: point < 0 ? '' : digits(number.slice(point + 1)),
    point: point >= 0,
    isNegative: match[1] !== undefined || (match[3] ?? '').includes('-'),
    assumed,
  };
}

const editing = lineKind<NumberPlan, LineBody>({
  lay,
  is: (plan, unit) =>
    (hasDigits && plan.digits !== '' && plan.digits.includes(String.fromCharCode(unit))) ||
    (unit >= 48 && unit <= 57) ||
    ((!hasRight || plan.fill === 'left') && unit === plan.decimal.charCodeAt(0)),
  insertCharacter,
  clean,
});

/** A decimal as the field shows it without focus. */
const shown = (plan: NumberPlan, decimal: string): string =>
  layOut(plan, contentOf(plan, decimal), true).display;

/** How far from zero typing on can lead: without limit before the decimal point, nines after it. */
const reach = (plan: NumberPlan, content: string, decimal: string): string | undefined => {
  if (plan.fill === 'right' || !content.includes('.')) return undefined;
  const [whole, fraction = ''] = decimal.split('.');
  return `${whole}.${fraction.padEnd(plan.most, '9')}`;
};

type Range = Check & { readonly type: 'range' };

/** The finding of a limit that fails. Only computed then. */
function told(plan: NumberPlan, { min, max, step }: Range, verdict: Verdict, code: string): Finding {
  const said = (decimal: string | undefined): string => (decimal ? shown(plan, decimal) : '');
  return { verdict, code, data: { min: said(min), max: said(max), step: said(step) } };
}

function range(plan: NumberPlan, body: LineBody, check: Range): Finding {
  const { min = '', max = '', step = '' } = check;
  const decimal = decimalOf(plan, body.content);
  if (!decimal) return passed;
  const isNegative = decimal.charCodeAt(0) === 45;
  if (min !== '' && compare(decimal, min) < 0) {
    const far = reach(plan, body.content, decimal);
    const canRise = !isNegative && (far === undefined || compare(far, min) >= 0);
    return told(plan, check, canRise ? 'open' : 'fail', 'below-min');
  }
  if (max !== '' && compare(decimal, max) > 0) {
    const far = reach(plan, body.content, decimal);
    const canFall = isNegative && (far === undefined || compare(far, max) <= 0);
    return told(plan, check, canFall ? 'open' : 'fail', 'above-max');
  }
  if (step && !isMultiple(decimal, step)) {
    const far = reach(plan, body.content, decimal);
    const canMeet = hasRoom(plan, body) && (far === undefined || hasMultiple(decimal, far, step));
    return told(plan, check, canMeet ? 'open' : 'fail', 'off-step');
  }
  return passed;
}

function hasRoom(plan: NumberPlan, { content }: LineBody): boolean {
  if (content.length >= most) return false;
  return (
    (hasRight && plan.fill === 'right') ||
    !content.includes('.') ||
    content.length - content.indexOf('.') <= plan.most
  );
}

/**
 * The kinds `number`, `currency` and `percent`. Raw is the decimal as typed; the value has its decimals
 * filled.
 */
export const number: Kind<NumberPlan, LineBody> = {
  ...editing,
  raw: (plan, body) => decimalOf(plan, body.content),
  value(plan, body) {
    const decimal = decimalOf(plan, body.content);
    if (!decimal) return null;
    const lacking = plan.least - places(decimal);
    const full = lacking > 0 ? decimal + (places(decimal) ? '' : '.') + '0'.repeat(lacking) : decimal;
    return full.charCodeAt(0) !== 45 || /[1-9]/.test(full) ? full : full.slice(1);
  },
  hasRoom,
  parse(plan, text) {
    const decimal = canonical(text);
    const empty = lay(plan, '');
    if (decimal && places(decimal) <= plan.most) {
      const isTaken = plan.negative !== 'no' || !decimal.startsWith('-');
      if (isTaken && text.length <= most)
        return {
          ...editing.caretAtEnd(plan, lay(plan, contentOf(plan, decimal))),
          leftOut: '',
          rejected: null,
        };
    }
    return editing.insert(plan, empty, 0, 0, text);
  },
  reduce: reduceResting,
  toResting: (plan, body) => layOut(plan, body.content, true),
  toEditing: (plan, body) => lay(plan, body.content),
  step(plan, body, _, by) {
    const decimal = decimalOf(plan, body.content);
    const floor = plan.min || (plan.negative === 'no' ? '0' : '');
    const unit = by > 0 ? plan.step : `-${plan.step}`;
    let next = decimal ? add(decimal, unit) : floor && compare(floor, '0') > 0 ? floor : '0';
    if (floor && compare(next, floor) < 0) next = floor;
    if (plan.max && compare(next, plan.max) > 0) next = plan.max;
    if (places(next) > plan.most) return undefined;
    if (decimal && compare(next, decimal) === 0) return { body, caret: body.to };
    return editing.caretAtEnd(plan, lay(plan, contentOf(plan, next)));
  },
  validate(plan, body, check) {
    return hasRange && check.type === 'range' ? range(plan, body, check) : undefined;
  },
  shares: 'raw',
};

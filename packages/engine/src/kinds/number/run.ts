import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { Reason } from '../../field/text-state.ts';
import { type Finding, passed, type Verdict } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { add, canonical, compare, hasMultiple, isMultiple, places } from '../../values/decimal.ts';
import { fold, graphemes, localized, worthTelling } from '../../values/graphemes.ts';
import { made } from '../../values/made.ts';
import { type Cleaned, type ContentEdit, type LineBody, lineKind } from '../editing/line.ts';
import { hasDigits, hasNegative, hasPad, hasPlurals, hasRange, hasRight, hasSingular } from './features.ts';
import type { NumberPlan, Plurals } from './plan.ts';
import { readAmount } from './read-amount.ts';

/** Largest number of digits: beyond any real number, and few enough for a page not to wait. */
const most = 400;

const withGroups = (plan: NumberPlan, whole: string): string => {
  const [last, others, least] = plan.sizes;
  let end = whole.length - last;
  // `0.500` would be read as a fraction: leading zeros are not grouped.
  if (end < least || whole.charCodeAt(0) === 48) return whole;
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

/** The index of the form that a number has: `Intl.PluralRules`, taken when the field was compiled. */
function formOf({ whole, parts }: Plurals, decimal: string): number {
  const [before = '', fraction = ''] = decimal.split('.');
  if (!fraction) return +whole[before.length > 2 ? 100 + +before.slice(-2) : +before]!;
  const at = fraction.length === 1 ? +fraction : 10 + +fraction.slice(-2);
  return +parts[parts.length === 1 ? 0 : (before.length > 1 ? 2 : Math.min(2, +before)) * 110 + at]!;
}

/** The texts around digits as typed or resting. */
function aroundOf(plan: NumberPlan, digits: string, isNegative: boolean): readonly [string, string] {
  const { plurals } = plan;
  const decimal = hasPlurals && plurals ? canonical(digits) : '';
  const by = hasPlurals && plurals && decimal ? plurals.forms[formOf(plurals, decimal)]! : plan;
  return isNegative ? by.aroundNegative : by.around;
}

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
  const [prefix, plural] = aroundOf(plan, digits, isNegative);
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
    // Where three decimals are possible, `1,234` with the separator of groups would be another number.
    if (plan.most > 2 && c === plan.group) return 'not-accepted';
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

/** A decimal as the keys that would be typed: a full stop may group in this locale. */
const asKeys = (plan: NumberPlan, decimal: string): string => decimal.replace('.', plan.decimal);

/** What a pasted text says as the characters to type; nothing of a text that is no amount. */
function clean(plan: NumberPlan, text: string, into: string): Cleaned {
  const shown = into ? undefined : ownContent(plan, text.trim());
  if (shown !== undefined) return { text: asKeys(plan, shown), leftOut: '' };
  // A lone minus or separator is the beginning of an amount.
  if (!/\p{Nd}/u.test(text))
    return { text: text.replace(/\p{L}/gu, ''), leftOut: (text.match(/\p{L}/gu) ?? []).join('') };
  const amount = readAmount(plan, text);
  if (!amount)
    return {
      text: '',
      leftOut: graphemes(text)
        .filter((c) => worthTelling.test(c))
        .join(''),
    };
  const { whole, fraction, hasPoint, isNegative, assumed, leftOut } = amount;
  const minus = isNegative && plan.negative !== 'no' && (into === '' || into === '-') ? '-' : '';
  const decimal = minus + whole + (hasPoint && plan.most ? `.${fraction.slice(0, plan.most)}` : '');
  return {
    text:
      hasRight && plan.fill === 'right' && hasPoint && plan.most > 0
        ? contentOf(plan, decimal).replace(/^(-?)0+(?=\d)/, '$1')
        : asKeys(plan, decimal),
    // A minus that is left out changes the amount, so it is reported although it is not a letter.
    leftOut: (isNegative && !minus ? '-' : '') + leftOut + fraction.slice(plan.most),
    ...(assumed ? { assumed } : {}),
  };
}

/** The content of a text that is exactly this field's display. */
function ownContent(plan: NumberPlan, text: string): string | undefined {
  if (text.length > most) return undefined;
  const forms = hasPlurals && plan.plurals ? plan.plurals.forms : [plan];
  for (const form of forms)
    for (const sign of !hasNegative || plan.negative === 'no' ? [''] : ['-', '']) {
      const [prefix, plural] = sign ? form.aroundNegative : form.around;
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

const editing = /*#__PURE__*/ lineKind<NumberPlan, LineBody>({
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

/** Whether typing on can lead to a decimal: leading zeros count for nothing. */
function canBecome(plan: NumberPlan, { content }: LineBody, raw: string): boolean {
  const decimal = canonical(raw);
  const typed = content.replace(/^(-?)0+(?=\d|$)/, '$1');
  return (
    decimal !== '' &&
    contentOf(plan, decimal)
      .replace(/^(-?)0+(?=\d)/, '$1')
      .startsWith(typed)
  );
}

/**
 * The kinds `number`, `currency` and `percent`. Raw is the decimal as typed; the value has its decimals
 * filled.
 */
export const number: Kind<NumberPlan, LineBody> = /*#__PURE__*/ made(
  (): Kind<NumberPlan, LineBody> => ({
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
    canBecome,
    parse(plan, text) {
      const decimal = canonical(text);
      const isTaken = plan.negative !== 'no' || !decimal.startsWith('-');
      if (!decimal || !isTaken || text.length > most) return editing.insert(plan, lay(plan, ''), 0, 0, text);
      // A point is the decimal sign here, whatever it is in the locale: read as typed, 1.25 could become 125.
      const over = Math.max(0, places(decimal) - plan.most);
      const held = over === 0 ? decimal : canonical(decimal.slice(0, -over));
      return {
        ...editing.caretAtEnd(plan, lay(plan, contentOf(plan, held))),
        leftOut: over === 0 ? '' : decimal.slice(-over),
        rejected: null,
      };
    },
    readText: (plan, text) => editing.insert(plan, lay(plan, ''), 0, 0, text),
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
  }),
);

import { fold } from '../../values/graphemes.ts';
import type { NumberPlan } from './plan.ts';

/** An amount that a text says. */
export interface Amount {
  /** Digits before and after the decimal separator. */
  readonly whole: string;
  readonly fraction: string;
  /** Whether there is a decimal separator, with or without digits after it. */
  readonly hasPoint: boolean;
  readonly isNegative: boolean;
  /** How an ambiguous separator was read; empty if none was. */
  readonly assumed: string;
  /** Letters and signs that are neither of the field nor of the amount. */
  readonly leftOut: string;
}

const marks = /[\u200e\u200f\u061c\u202a-\u202e\u2066-\u2069\ue000\ue001]/gu;

/** The text in ASCII digits, with one sort of dash and of apostrophe. */
const plainly = (text: string): string =>
  [...text.replace(marks, '').trim()]
    .map(fold)
    .join('')
    .replace(/[‐-―−]/g, '-')
    .replace(/[’ʼ]/g, "'");

/** Stands for a word of the field, and for one that is not. */
const [own, foreign] = ['\ue000', '\ue001'];
const isLetter = (c: string | undefined): boolean => c !== undefined && /[\p{L}\p{M}]/u.test(c);

/** The text in lower case, with the same length. The Turkish İ has a lower case of two units and is kept. */
const lowered = (text: string): string =>
  text.toLowerCase().length === text.length
    ? text.toLowerCase()
    : text.replace(/./gsu, (c) => (c.toLowerCase().length === c.length ? c.toLowerCase() : c));

/** The text with the first occurrence of a word of the field marked; a full stop may follow it. */
function marked(text: string, given: string): string {
  const word = lowered(plainly(given)).replace(/\.$/, '');
  const lower = lowered(text);
  if (!word) return text;
  for (let at = lower.indexOf(word); at >= 0; at = lower.indexOf(word, at + 1)) {
    const end = at + word.length;
    const isInside =
      (isLetter(word[0]) && isLetter(lower[at - 1])) || (isLetter(word.at(-1)) && isLetter(lower[end]));
    if (isInside) continue;
    const stop = isLetter(word.at(-1)) && lower[end] === '.' ? 1 : 0;
    return text.slice(0, at) + own + text.slice(end + stop);
  }
  return text;
}

/** Words that make an amount a thousand times and more what its digits say. */
const scales =
  /^(?:[kmb]|mn|mln|mi(?:o|ll?|ll?[io]\p{L}*|ljo\p{L}*|lhõ\p{L}*)|mr?d|mld|bn|tn|tsd|tys|(?:thous|taus|hundre|hundra)\p{L}*|hundert|billion\p{L}*|la[ck]h?s?|crores?|cr|[百千万萬億亿兆천만억])$/iu;

/**
 * Digits with group separators: none, threes, twos before a three, or fours. No group begins with a zero.
 */
const grouped = /^(?:\d+|[1-9]\d{0,2}(?:[^\d]+\d{2,3})*[^\d]+\d{3}|[1-9]\d{0,3}(?:[^\d]+\d{4})+)?$/;
/** `20.-`, `20,--`, `20:-`, `100/-`, `100/=`: no decimals. */
const priceDash = /^\s?[.,:/']\s?[-=]{1,2}(?![\d-])/;
/** What is reported beside an amount: words and signs, no punctuation. */
const worth = /[\ue001\p{S}%‰#&@*/\\]/gu;

/**
 * Reads an amount in any common notation: `1.234,56`, `1,234.56`, `1 234,56`, `1'234.50`, `(12.50)`, `20.-`.
 * Of two separators the last is the decimal one. A separator that occurs twice groups. A single one before
 * exactly three digits is ambiguous: the locale decides, and the decision is reported. A group never begins
 * with a zero. A minus stands in front of the digits. `undefined` if the text is no amount, or several.
 *
 * @example
 * readAmount(plan, 'Fr. 20.-'); // { whole: '20', fraction: '', … }
 */
export function readAmount(plan: NumberPlan, given: string): Amount | undefined {
  const words: string[] = [];
  const text = plan.own.reduce(marked, plainly(given)).replace(/[\p{L}\p{M}]+\.?/gu, (word) => {
    words.push(word.replace('.', ''));
    return foreign;
  });
  const first = text.search(/\d|[.,٫]\d/);
  // A digit with a mark is another character.
  if (first < 0 || /\d[\p{M}\u200c\u200d]/u.test(plainly(given)) || words.some((word) => scales.test(word)))
    return undefined;
  const last = text.length - /\D*$/.exec(text)![0].length;
  const before = text.slice(0, first);
  const number = text.slice(first, last).replace(/\s/g, ' ');
  const after = text.slice(last);
  if (!/^[\d.,'_٫٬ ]+$/.test(number)) return undefined;
  const dash = priceDash.exec(after)?.[0];
  const behind = after.slice(dash?.length ?? 0);
  // A minus behind an amount would be read as one by some and overlooked by others.
  if (/^[\s\ue000]*-[\s\ue000]*$/.test(behind)) return undefined;
  const isInBrackets = /\([\s\ue000-]*$/.test(before) && /^[\s\ue000]*\)/.test(behind);
  const hasMinus = /^[\s\ue000(]*-[\s\ue000]*$|[\s(\ue000]-\ue000?$/.test(before);
  // Without words beside it, everything around an amount has a meaning, or it is none.
  const isBare = !words.length;
  const isOdd =
    /[.,٫)]|[-(].*[-(]/.test(before.replace(/\([\s\ue000]*-|-[\s\ue000]*\(/, '(')) ||
    (before.includes('-') && !hasMinus && !isInBrackets) ||
    /[()]/.test(before + behind) !== isInBrackets;
  if (isBare && isOdd) return undefined;
  const read = separated(plan, number, dash ? '' : (/^[.,٫]/.exec(after)?.[0] ?? ''));
  if (!read) return undefined;
  const told = (part: string): string =>
    (part.match(worth) ?? []).map((c) => (c === foreign ? words.shift() : c)).join('');
  const stray = hasMinus || !/-\s?$/.test(before) ? '' : '-';
  return {
    ...read,
    hasPoint: read.hasPoint || dash !== undefined,
    isNegative: isInBrackets || hasMinus,
    leftOut: told(before.replace(/\+\s?$/, '')) + stray + told(behind),
  };
}

/** Whole digits and decimals of a number with separators; `behind` is a separator after the last digit. */
function separated(
  plan: NumberPlan,
  number: string,
  behind: string,
): Pick<Amount, 'whole' | 'fraction' | 'hasPoint' | 'assumed'> | undefined {
  const digits = (part: string): string => part.replace(/\D/g, '');
  const last = /[.,'_٫٬](?=[^.,'_٫٬]*$)/.exec(number)?.index ?? -1;
  const sign = number[last] ?? '';
  const [before, after] = [number.slice(0, Math.max(0, last)), number.slice(last + 1)];
  let isPoint = sign !== '' && '.,٫'.includes(sign) && number.indexOf(sign) === last;
  let assumed = '';
  const isUnclear = isPoint && /^[1-9]\d{0,2}$/.test(before) && /^\d{3}$/.test(after);
  if (isUnclear) {
    isPoint = sign !== plan.group && plan.most > 0 && (sign === plan.decimal || plan.most > 2);
    assumed = `${isPoint ? 'decimal' : 'group'} ${sign}`;
  }
  if (isPoint && /\D/.test(after)) return undefined;
  const whole = isPoint ? before : number;
  if (!grouped.test(whole)) return undefined;
  const fraction = isPoint ? after : '';
  // A separator after everything begins decimals, unless it is one of those that group.
  const hasPoint = isPoint || (behind !== '' && !number.includes(behind));
  return { whole: digits(whole), fraction, hasPoint, assumed };
}

import { canonical, compare } from '../run/decimal.ts';
import type { NumberPlan } from '../run/number.ts';
import type { Rule } from '../run/plan.ts';
import { decimalsOf } from './currencies.ts';

/** Entry options of kinds `number`, `currency` and `percent` as a document writes them. */
export interface NumberEntry {
  /** ISO 4217; kind `currency` only. */
  readonly currency?: string;
  readonly sign?: 'symbol' | 'code' | 'none';
  readonly fill?: 'left' | 'right';
  readonly grouping?: 'typing' | 'leave' | 'never';
  readonly pad?: boolean;
  readonly negative?: 'no' | 'minus' | 'parentheses';
  readonly decimals?: { readonly min?: number; readonly max?: number };
  /** Unit behind the number; one that `Intl` knows (`kilogram`) is written as the locale does. Kind `number` only. */
  readonly unit?: string;
}

const isDigit = ({ type }: Intl.NumberFormatPart): boolean =>
  type === 'integer' || type === 'fraction' || type === 'decimal' || type === 'group';

/** What stands around the digits of a formatted number. */
function around(parts: readonly Intl.NumberFormatPart[]): [string, string] {
  const first = parts.findIndex(isDigit);
  const last = parts.findLastIndex(isDigit);
  const text = (some: readonly Intl.NumberFormatPart[]) => some.map((part) => part.value).join('');
  return [text(parts.slice(0, first)), text(parts.slice(last + 1))];
}

const isUnit = (unit: string): boolean => {
  try {
    new Intl.NumberFormat('en', { style: 'unit', unit });
    return true;
  } catch {
    return false;
  }
};

/** The options that make `Intl.NumberFormat` write what the field shows at rest, where it can. */
export function formatOptions(kind: NumberPlan['kind'], entry: NumberEntry): Intl.NumberFormatOptions {
  const { sign = 'symbol', currency = 'EUR', unit = '' } = entry;
  if (kind === 'currency' && sign !== 'none')
    return { style: 'currency', currency, currencyDisplay: sign === 'code' ? 'code' : 'symbol' };
  if (kind === 'percent') return { style: 'percent' };
  return kind === 'number' && isUnit(unit) ? { style: 'unit', unit, unitDisplay: 'short' } : {};
}

/**
 * The ten digits of a locale from zero, '' where they are ASCII. So they are where a digit takes more than one UTF-16
 * unit (Adlam, Chakma) or is no decimal digit (hanidec): these are typed and shown in ASCII.
 */
export function digitsOf(locale: string): string {
  const digits = new Intl.NumberFormat(locale, { useGrouping: false }).format(9876543210);
  const own = [...digits].reverse().join('');
  return own.length === 10 && /^\p{Nd}{10}$/u.test(own) && own !== '0123456789' ? own : '';
}

/** The locale with ASCII digits where its own cannot be had; elsewhere as it is. */
export const withDigits = (locale: string): string =>
  digitsOf(locale) ? locale : new Intl.Locale(locale, { numberingSystem: 'latn' }).toString();

/** Takes from `Intl`, once, everything about the locale that running needs. */
export function planNumber(
  kind: NumberPlan['kind'],
  entry: NumberEntry,
  tag: string,
  rules: readonly Rule[],
): NumberPlan {
  const locale = withDigits(tag);
  const own = kind === 'currency' ? decimalsOf(entry.currency ?? 'EUR') : 0;
  const least = entry.decimals?.min ?? own;
  const most = Math.max(least, entry.decimals?.max ?? (kind === 'currency' ? own : 0));
  const options = formatOptions(kind, entry);
  const decimals = { minimumFractionDigits: 1, maximumFractionDigits: 1 };
  const format = new Intl.NumberFormat(locale, { ...options, ...decimals, useGrouping: 'auto' });
  const parts = format.formatToParts(kind === 'percent' ? 12345.678 : 1234567.8);
  const of = (type: string) => parts.filter((part) => part.type === type).map((part) => part.value);
  const plain = new Intl.NumberFormat(locale, {
    ...options,
    maximumFractionDigits: 0,
    minimumFractionDigits: 0,
  });
  const wholes = plain
    .formatToParts(123456789012)
    .filter((part) => part.type === 'integer')
    .map((part) => [...part.value].length);
  const minus = plain.formatToParts(-1).find((part) => part.type === 'minusSign')?.value ?? '-';
  const unit = kind === 'number' && entry.unit && !isUnit(entry.unit) ? `\u00a0${entry.unit}` : '';
  const [prefix, suffix] = around(parts);
  const positive: readonly [string, string] = [prefix, suffix + unit];
  const negatives = around(format.formatToParts(-1.5));
  const negative: readonly [string, string] =
    entry.negative === 'parentheses'
      ? [`(${positive[0]}`, `${positive[1]})`]
      : [
          negatives[0].includes(minus) ? negatives[0] : minus + positive[0],
          negatives[1].replace(minus, '') + unit,
        ];
  const bounds = boundsOf(rules);
  const last = wholes.at(-1) ?? 3;
  return {
    kind,
    around: positive,
    aroundNegative: negative,
    minus: entry.negative === 'parentheses' ? '(' : minus,
    decimal: of('decimal')[0] ?? '.',
    group: parts.find((part) => part.type === 'group')?.value ?? ',',
    sizes: [
      last,
      wholes.at(-2) ?? last,
      plain.formatToParts(kind === 'percent' ? 12.34 : 1234).some((part) => part.type === 'group') ? 1 : 2,
    ],
    digits: digitsOf(locale),
    least,
    most,
    fill: entry.fill ?? 'left',
    grouping: entry.grouping ?? 'typing',
    pad: entry.pad ?? true,
    negative: entry.negative ?? 'no',
    ...bounds,
    own: ownWords(entry, locale, positive),
  };
}

/** What a paste may carry beside the amount: the field's own sign and code in any width, and its unit. */
function ownWords(entry: NumberEntry, locale: string, around: readonly [string, string]): readonly string[] {
  const words = new Set(around.map((text) => text.replace(/[\s\u00a0\u200e\u200f\u061c()]/g, '')));
  const { currency } = entry;
  if (currency) {
    words.add(currency);
    for (const currencyDisplay of ['symbol', 'narrowSymbol'] as const)
      for (const part of new Intl.NumberFormat(locale, {
        style: 'currency',
        currency,
        currencyDisplay,
      }).formatToParts(1))
        if (part.type === 'currency') words.add(part.value.trim());
  }
  if (entry.unit) words.add(entry.unit);
  return [...words].filter(Boolean).sort((a, b) => b.length - a.length);
}

/** Where the arrow keys step and stop: all the rules' ranges together. */
function boundsOf(rules: readonly Rule[]): Pick<NumberPlan, 'step' | 'min' | 'max'> {
  let [step, min, max] = ['1', '', ''];
  for (const { check } of rules) {
    if (check.type !== 'range') continue;
    if (check.step) step = check.step;
    if (check.min && (!min || compare(canonical(check.min), min) > 0)) min = canonical(check.min);
    if (check.max && (!max || compare(canonical(check.max), max) < 0)) max = canonical(check.max);
  }
  return { step, min, max };
}

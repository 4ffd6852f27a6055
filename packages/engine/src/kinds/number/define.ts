import { type EntryOf, type FilledEntry, filled, type Options, yesNo } from '../../options/option.ts';
import type { Rule } from '../../rules/rule.ts';
import { canonical, compare } from '../../values/decimal.ts';
import { intl } from '../../values/intl.ts';
import type { Definition, Limits, PlanContext } from '../contract/definition.ts';
import { digitsOf, withDigits } from '../editing/digits.ts';
import { currencies, decimalsOf } from './currencies.ts';
import type { NumberPlan, Plurals } from './plan.ts';

const shared = {
  fill: {
    is: 'choice',
    label: 'Entry direction',
    at: ['digits'],
    choices: [
      ['left', 'left to right'],
      ['right', 'right to left (like a cash register)'],
    ],
    usual: 'left',
  },
  grouping: {
    is: 'choice',
    label: 'Thousands separators',
    at: ['group'],
    choices: [
      ['typing', 'while typing'],
      ['leave', 'on blur'],
      ['never', 'never'],
    ],
    usual: 'typing',
  },
  decimals: {
    is: 'bounds',
    label: 'Decimals',
    at: ['decimals'],
    min: 0,
    max: 100,
    offered: 20,
    otherwise: 'none; for money, the currency’s (ISO 4217)',
  },
  pad: yesNo('yes', 'no', { label: 'Pad decimals on blur', at: ['decimals'], usual: true }),
  negative: {
    is: 'choice',
    label: 'Negative numbers',
    at: ['minus'],
    choices: [
      ['no', 'not allowed'],
      ['minus', 'minus sign'],
      ['parentheses', 'parentheses'],
    ],
    usual: 'no',
  },
} as const satisfies Options;

const numberOptions = {
  ...shared,
  unit: {
    is: 'text',
    label: 'Unit',
    about: 'Shown after the number. Units known to Intl (e.g. kilogram) are localized.',
    at: ['unit'],
    form: '^(?=.*\\S)[^\\d<>]*$',
    expected: 'A unit must not be empty or contain digits, "<" or ">".',
    offers: () => [
      ['kilogram', ''],
      ['kilometer', ''],
      ['meter', ''],
      ['liter', ''],
      ['guests', ''],
    ],
    otherwise: 'none',
  },
  singular: {
    is: 'text',
    label: 'Unit, singular',
    about: 'Singular form of the unit (guest for guests).',
    at: ['unit'],
    form: '^(?=.*\\S)[^\\d<>]*$',
    expected: 'A unit must not be empty or contain digits, "<" or ">".',
    otherwise: 'same as the unit',
  },
} as const satisfies Options;

const currencyOptions = {
  currency: {
    is: 'text',
    label: 'Currency (ISO 4217)',
    at: ['sign'],
    needed: true,
    form: '^[A-Z]{3}$',
    among: currencies,
    expected: '"{}" is not a currency code (ISO 4217).',
    suggestion: 'EUR',
    offers: () => ['EUR', 'GBP', 'CHF', 'USD', 'JPY', 'INR', 'KWD'].map((code) => [code, ''] as const),
  },
  sign: {
    is: 'choice',
    label: 'Shown as',
    at: ['sign'],
    choices: [
      ['symbol', 'its symbol'],
      ['code', 'its code'],
      ['none', 'nothing'],
    ],
    usual: 'symbol',
  },
  ...shared,
} as const satisfies Options;

/** The options of the three kinds together. */
export type NumberEntry = EntryOf<typeof shared> &
  Partial<EntryOf<typeof numberOptions>> &
  Partial<EntryOf<typeof currencyOptions>>;
type Filled = FilledEntry<typeof shared> & NumberEntry;

const isDecimal = (text: string): boolean => text.length <= 100 && canonical(text) !== '';

const limits = (example: string, begin: string): Limits => ({
  isGood: isDecimal,
  example,
  hasSteps: true,
  isAbove: (a, b) => compare(canonical(a), canonical(b)) > 0,
  begin,
});

/** Number keyboards of phones have no minus. */
const attributes = ({ negative = 'no' }: NumberEntry): Record<string, string> =>
  negative === 'no' ? { inputmode: 'decimal' } : {};

/** What the three kinds have in common. */
const alike = { attributes, byLocale: true, direction: 'locale' } as const;

export const number: Definition<typeof numberOptions, NumberPlan> = {
  ...alike,
  name: 'number',
  valueIs: 'decimal',
  options: numberOptions,
  plan: (entry, around) => planNumber('number', filled(numberOptions, entry), around),
  comparable: 'number',
  limits: limits('12.5', '1'),
  pointless: ['checksum'],
};

export const currency: Definition<typeof currencyOptions, NumberPlan> = {
  ...alike,
  name: 'money',
  valueIs: 'decimal',
  options: currencyOptions,
  plan: (entry, around) => planNumber('currency', filled(currencyOptions, entry), around),
  comparable: 'number',
  limits: limits('12.50', '1'),
  pointless: ['checksum', 'not-trivial'],
};

export const percent: Definition<typeof shared, NumberPlan> = {
  ...alike,
  name: 'percent',
  valueIs: 'decimal',
  options: shared,
  plan: (entry, around) => planNumber('percent', filled(shared, entry), around),
  comparable: 'number',
  limits: limits('5', '0'),
  pointless: ['checksum', 'not-trivial'],
};

const isDigit = ({ type }: Intl.NumberFormatPart): boolean =>
  type === 'integer' || type === 'fraction' || type === 'decimal' || type === 'group';

/** The text around the digits of a formatted number. */
function around(parts: readonly Intl.NumberFormatPart[]): [string, string] {
  const first = parts.findIndex(isDigit);
  const last = parts.findLastIndex(isDigit);
  const text = (some: readonly Intl.NumberFormatPart[]) => some.map((part) => part.value).join('');
  return [text(parts.slice(0, first)), text(parts.slice(last + 1))];
}

const isUnit = (unit: string): boolean => {
  try {
    intl(Intl.NumberFormat, 'en', { style: 'unit', unit });
    return true;
  } catch {
    return false;
  }
};

/** Options that make `Intl.NumberFormat` write the resting text, where it can. */
export function formatOptions(kind: NumberPlan['kind'], entry: NumberEntry): Intl.NumberFormatOptions {
  const { sign = 'symbol', currency = 'EUR', unit = '' } = entry;
  if (kind === 'currency' && sign !== 'none')
    return { style: 'currency', currency, currencyDisplay: sign === 'code' ? 'code' : 'symbol' };
  if (kind === 'percent') return { style: 'percent' };
  return kind === 'number' && isUnit(unit) ? { style: 'unit', unit, unitDisplay: 'short' } : {};
}

/** The plan with everything about the locale, taken from `Intl` once. */
function planNumber(
  kind: NumberPlan['kind'],
  entry: Filled,
  { locale: tag, rules }: PlanContext,
): NumberPlan {
  const locale = withDigits(tag);
  const own = kind === 'currency' ? decimalsOf(entry.currency ?? 'EUR') : 0;
  const least = entry.decimals?.min ?? own;
  const most = Math.max(least, entry.decimals?.max ?? (kind === 'currency' ? own : 0));
  const options = formatOptions(kind, entry);
  const decimals = { minimumFractionDigits: 1, maximumFractionDigits: 1 };
  const format = intl(Intl.NumberFormat, locale, { ...options, ...decimals, useGrouping: 'auto' });
  const parts = format.formatToParts(kind === 'percent' ? 12345.678 : 1234567.8);
  const of = (type: string) => parts.filter((part) => part.type === type).map((part) => part.value);
  const plain = intl(Intl.NumberFormat, locale, {
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
  const plus = around(parts);
  const negatives = around(format.formatToParts(-1.5));
  const form = ([prefix, suffix]: readonly [string, string]): Plurals['forms'][number] => {
    const around: readonly [string, string] = [prefix, suffix + unit];
    const aroundNegative: readonly [string, string] =
      entry.negative === 'parentheses'
        ? [`(${around[0]}`, `${around[1]})`]
        : [
            negatives[0].includes(minus) ? negatives[0].replace(plus[0], () => prefix) : minus + prefix,
            around[1],
          ];
    return { around, aroundNegative };
  };
  const usual = form(plus);
  const asked = kind === 'number' && entry.unit && !unit ? askForms(locale, entry.unit) : undefined;
  const plurals = asked &&
    asked.forms.length > 1 && { ...asked, forms: asked.forms.map(form), parts: most ? asked.parts : '0' };
  const bounds = boundsOf(rules);
  const singular = unit && entry.singular ? singularOf(unit, entry.singular, locale) : undefined;
  const last = wholes.at(-1) ?? 3;
  return {
    kind,
    ...usual,
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
    fill: entry.fill,
    grouping: entry.grouping,
    pad: entry.pad,
    negative: entry.negative,
    ...bounds,
    ...(singular ? { singular } : {}),
    ...(plurals ? { plurals } : {}),
    own: ownWords(kind, entry, locale, usual.around),
  };
}

/** The texts around the numbers of a unit by form: asking takes milliseconds, so it is kept. */
const askedForms = new Map<
  string,
  Omit<Plurals, 'forms'> & { readonly forms: readonly [string, string][] }
>();

function askForms(locale: string, unit: string) {
  const key = `${locale} ${unit}`;
  const asked = askedForms.get(key);
  if (asked) return asked;
  const forms: [string, string][] = [];
  const indexes = (decimals: number, count: number, from: number): string => {
    const format = intl(Intl.NumberFormat, locale, {
      ...formatOptions('number', { unit }),
      minimumFractionDigits: decimals,
    });
    return Array.from({ length: count }, (_, n) => {
      // Some languages write one or two of a unit without a number: then as they write many.
      const shown = format.formatToParts(from + n / 10 ** decimals);
      const own = around(shown.some(isDigit) ? shown : format.formatToParts(100));
      const at = forms.findIndex((other) => other.join('\n') === own.join('\n'));
      return at < 0 ? forms.push(own) - 1 : at;
    }).join('');
  };
  const whole = indexes(0, 200, 0);
  const parts = [0, 1, 5].map((from) => indexes(1, 10, from) + indexes(2, 100, from)).join('');
  const found = { forms, whole, parts: /^(.)\1*$/.test(parts) ? parts.charAt(0) : parts };
  askedForms.set(key, found);
  return found;
}

/** The singular of a unit, and which numbers beside 1 a locale counts as one (`Intl.PluralRules`). */
function singularOf(of: string, one: string, locale: string): NonNullable<NumberPlan['singular']> {
  const isOne = (number: number, minimumFractionDigits: number): boolean =>
    intl(Intl.PluralRules, locale, { minimumFractionDigits }).select(number) === 'one';
  return { of, one: `\u00a0${one}`, zero: isOne(0, 0), padded: isOne(1, 1), parts: isOne(1.5, 1) };
}

/** Short forms that people write and `Intl` does not have in every locale. */
const abbreviations: Readonly<Record<string, string>> = {
  AUD: 'A$',
  CAD: 'C$',
  CHF: 'SFr Fr',
  CNY: 'RMB 元',
  INR: 'Rs',
  JPY: '円',
  KRW: '원',
  PKR: 'Rs',
  RUB: 'руб р',
  TRY: 'TL',
  UAH: 'грн',
  USD: 'US$',
};

/** The parts of a type of the numbers whose words differ in most languages. */
const wordsOf = (locale: string, options: Intl.NumberFormatOptions, type: string): readonly string[] => {
  const format = intl(Intl.NumberFormat, locale, { ...options, maximumFractionDigits: 1 });
  return [1, 2, 5, 1.5].flatMap((number) =>
    format.formatToParts(number).flatMap((part) => (part.type === type ? [part.value.trim()] : [])),
  );
};

/** Words a paste may contain beside the amount: the field's own sign and code in any width, and its unit. */
function ownWords(
  kind: NumberPlan['kind'],
  entry: NumberEntry,
  locale: string,
  around: readonly [string, string],
): readonly string[] {
  const words = new Set(around.map((text) => text.replace(/[\s\u00a0\u200e\u200f\u061c()]/g, '')));
  const add = (some: readonly string[]): void => {
    for (const word of some) words.add(word);
  };
  const { currency, unit } = entry;
  if (currency) {
    add([currency, ...(abbreviations[currency] ?? '').split(' ')]);
    for (const currencyDisplay of ['symbol', 'narrowSymbol', 'name'] as const)
      add(wordsOf(locale, { style: 'currency', currency, currencyDisplay }, 'currency'));
  }
  if (kind === 'percent') {
    add(['%']);
    add(wordsOf(locale, { style: 'unit', unit: 'percent', unitDisplay: 'long' }, 'unit'));
  }
  if (unit && isUnit(unit))
    for (const unitDisplay of ['short', 'narrow', 'long'] as const)
      add(wordsOf(locale, { style: 'unit', unit, unitDisplay }, 'unit'));
  else if (unit) add([unit]);
  if (entry.singular) add([entry.singular]);
  return [...words].filter(Boolean).sort((a, b) => b.length - a.length);
}

/** Step and limits of the arrow keys, from all range rules. */
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

import { isCurrency } from '../../engine/compile/currencies.ts';
import type { FieldDocument } from '../../engine/compile/document.ts';
import { isRegion } from '../../engine/compile/phone.ts';
import { allRegions } from '../../engine/plans/plans.ts';

/** One entry option, as the desk offers it. `key` is its name in the entry; `decimals.max` is a member of a member. */
export type Option = { readonly key: string; readonly label: string } & (
  | { readonly is: 'choice'; readonly choices: readonly (readonly [value: unknown, label: string])[]; readonly usual: unknown }
  | { readonly is: 'number'; readonly min: number; readonly max: number; readonly usual: number | undefined }
  | { readonly is: 'text'; readonly usual: string; readonly suggestions?: readonly string[]; check(text: string): string | null }
); // biome-ignore format: one kind of option a line

const grouping: Option = {
  key: 'grouping',
  label: 'Groups of digits',
  is: 'choice',
  usual: 'typing',
  choices: [
    ['typing', 'while typing'],
    ['leave', 'on leaving'],
    ['never', 'never'],
  ],
};
const fill: Option = {
  key: 'fill',
  label: 'Digits come in',
  is: 'choice',
  usual: 'left',
  choices: [
    ['left', 'from the left'],
    ['right', 'from the right, the smallest first'],
  ],
};
const negative: Option = {
  key: 'negative',
  label: 'Below zero',
  is: 'choice',
  usual: 'no',
  choices: [
    ['no', 'not possible'],
    ['minus', 'with a minus'],
    ['parentheses', 'in brackets'],
  ],
};
const pad: Option = {
  key: 'pad',
  label: 'Missing decimals',
  is: 'choice',
  usual: true,
  choices: [
    [true, 'filled on leaving'],
    [false, 'left out'],
  ],
};
const most: Option = {
  key: 'decimals.max',
  label: 'Decimals, at most',
  is: 'number',
  min: 0,
  max: 20,
  usual: undefined,
};
const least: Option = {
  key: 'decimals.min',
  label: 'Decimals, at least',
  is: 'number',
  min: 0,
  max: 20,
  usual: undefined,
};
const order: Option = {
  key: 'order',
  label: 'Order',
  is: 'choice',
  usual: 'locale',
  choices: [
    ['locale', 'as the locale has it'],
    ['dmy', 'day, month, year'],
    ['mdy', 'month, day, year'],
    ['ymd', 'year, month, day'],
  ],
};
const clock: Option = {
  key: 'clock',
  label: 'Clock',
  is: 'choice',
  usual: undefined,
  choices: [
    [undefined, 'as the locale has it'],
    [12, '12 hours'],
    [24, '24 hours'],
  ],
};
const seconds: Option = {
  key: 'seconds',
  label: 'Seconds',
  is: 'choice',
  usual: false,
  choices: [
    [false, 'none'],
    [true, 'asked for'],
  ],
};
const accept: Option = {
  key: 'accept',
  label: 'Each box takes',
  is: 'choice',
  usual: 'digit',
  choices: [
    ['digit', 'a digit'],
    ['alnum', 'a letter or a digit'],
  ],
};
const length: Option = { key: 'length', label: 'Boxes', is: 'number', min: 3, max: 12, usual: undefined };
// biome-ignore format: a table
const parts: Readonly<Record<string, Readonly<Record<string, readonly Option[]>>>> = {
  number: { minus: [negative], digits: [fill], group: [grouping], decimals: [most, least, pad], unit: [{ key: 'unit', label: 'Unit', is: 'text', usual: '', suggestions: ['kilogram', 'kilometer', 'meter', 'liter', 'guests'], check: (text) => (/[\d<>]/.test(text) ? 'No digits, no “<” and no “>”.' : null) }] },
  currency: { minus: [negative], digits: [fill], group: [grouping], decimals: [most, least, pad], sign: [{ key: 'currency', label: 'Currency (ISO 4217)', is: 'text', usual: 'EUR', suggestions: ['EUR', 'GBP', 'CHF', 'USD', 'JPY', 'INR', 'KWD'], check: (text) => (isCurrency(text) ? null : 'A code of three capital letters, such as EUR.') }, { key: 'sign', label: 'Shown as', is: 'choice', usual: 'symbol', choices: [['symbol', 'its symbol'], ['code', 'its code'], ['none', 'nothing']] }] },
  percent: { minus: [negative], digits: [fill], group: [grouping], decimals: [most, least, pad] },
  date: { day: [order], month: [order], year: [order, { key: 'pivot', label: 'Two-digit years below this are 20…', is: 'number', min: 0, max: 100, usual: 50 }], separator: [{ key: 'separator', label: 'Separator', is: 'choice', usual: undefined, choices: [[undefined, 'as the locale has it'], ['/', 'slash'], ['.', 'full stop'], ['-', 'hyphen'], [' ', 'space']] }, order], resting: [{ key: 'resting', label: 'Text at rest', is: 'choice', usual: 'same', choices: [['same', 'as typed'], ['medium', 'medium'], ['long', 'long'], ['full', 'full, with weekday']] }] },
  time: { hour: [clock], minute: [seconds], second: [seconds], period: [clock], separator: [clock, seconds] },
  duration: { units: [{ key: 'units', label: 'Units', is: 'choice', usual: ['h', 'min'], choices: [[['h', 'min'], 'hours and minutes'], [['min'], 'minutes'], [['h'], 'hours']] }, { key: 'bare', label: 'A number alone is in', is: 'choice', usual: 'min', choices: [['min', 'minutes'], ['h', 'hours']] }] },
  phone: { region: [{ key: 'home', label: 'Home region (ISO 3166-1)', is: 'text', usual: 'GB', suggestions: allRegions, check: (text) => (isRegion(text) ? null : 'Two capital letters of a region with a calling code.') }, { key: 'regions', label: 'Numbers from', is: 'choice', usual: 'any', choices: [['any', 'any region'], ['home', 'the home region alone']] }], style: [{ key: 'style', label: 'At rest, a home number is', is: 'choice', usual: 'national', choices: [['national', 'national'], ['international', 'international']] }], number: [{ key: 'types', label: 'Telephones', is: 'choice', usual: [], choices: [[[], 'any'], [['mobile'], 'mobile'], [['fixed'], 'fixed']] }], extension: [{ key: 'extension', label: 'Extension', is: 'choice', usual: false, choices: [[false, 'none'], [true, 'may be added']] }] },
  pin: { box: [length, accept], groups: [], conceal: [{ key: 'conceal', label: 'What is typed', is: 'choice', usual: true, choices: [[true, 'concealed, with a control to reveal it'], [false, 'seen']] }] },
  'one-time-code': { box: [length, accept], groups: [] },
  text: { text: [{ key: 'case', label: 'Letters', is: 'choice', usual: 'as-typed', choices: [['as-typed', 'as typed'], ['upper', 'capitals'], ['lower', 'small']] }], blanks: [{ key: 'trim', label: 'Blanks at the ends', is: 'choice', usual: true, choices: [[true, 'dropped'], [false, 'kept']] }, { key: 'collapse', label: 'Several blanks in a row', is: 'choice', usual: false, choices: [[false, 'kept'], [true, 'one']] }], max: [{ key: 'max', label: 'Characters, at most', is: 'number', min: 1, max: 10_000, usual: undefined }] },
};

/** The options a part of the specimen stands for. */
export function optionsFor(field: FieldDocument, part: string): readonly Option[] {
  if (field.kind === 'one-time-code' && part === 'groups') return [groupsOption(field.entry.length ?? 6)];
  return parts[field.kind]?.[part] ?? [];
}

/** Ways to draw so many boxes in groups. */
function groupsOption(length: number): Option {
  const ways: number[][] = [[length]];
  for (const size of [2, 3, 4])
    if (length % size === 0 && length > size) ways.push(Array.from({ length: length / size }, () => size));
  const half = Math.ceil(length / 2);
  if (length > 3 && !ways.some((way) => way.length === 2)) ways.push([half, length - half]);
  return {
    key: 'groups',
    label: 'Boxes stand',
    is: 'choice',
    usual: [length],
    choices: ways.map((way) => [way, way.length === 1 ? 'all together' : way.join(' and ')]),
  };
}

type Entry = Readonly<Record<string, unknown>>;

/** What an option is set to, or what it is when nothing is said. */
export function chosen(field: FieldDocument, option: Option): unknown {
  const [key, member] = option.key.split('.') as [string, string?];
  const value = (field.entry as Entry)[key];
  const found = member ? (value as Entry | undefined)?.[member] : value;
  if (option.key === 'regions') return found === undefined || found === 'any' ? 'any' : 'home';
  return found === undefined ? option.usual : found;
}

export const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The field with an option set; one set to what is usual is left out, so that a document says nothing idle. */
export function withOption(field: FieldDocument, option: Option, value: unknown): FieldDocument {
  const [key, member] = option.key.split('.') as [string, string?];
  const entry: Record<string, unknown> = { ...field.entry };
  const isNeeded = key === 'currency' || key === 'home';
  const said = option.key === 'regions' && value === 'home' ? [entry.home] : value;
  const next = !isNeeded && isSame(value, option.usual) ? undefined : said;
  if (member) {
    const inner: Record<string, unknown> = { ...(entry[key] as Entry | undefined) };
    if (next === undefined) delete inner[member];
    else inner[member] = next;
    // The most is never below the least, nor the least above the most.
    if (typeof inner.min === 'number' && typeof inner.max === 'number' && inner.min > inner.max)
      inner[member === 'min' ? 'max' : 'min'] = next;
    if (Object.keys(inner).length) entry[key] = inner;
    else delete entry[key];
  } else if (next === undefined) delete entry[key];
  else entry[key] = next;
  // Groups belong to one length, a list of regions to one home.
  if (key === 'length') delete entry.groups;
  if (key === 'home' && Array.isArray(entry.regions)) entry.regions = [value];
  return { ...field, entry } as FieldDocument;
}

import fc from 'fast-check';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument, RuleDocument } from '../document/document.ts';
import type { FieldEvent } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import { plainly, shapes } from '../kinds/custom/plainly.fixture.ts';
import { type KindName, kinds } from '../kinds/registry.ts';
import { allRegions } from '../plans/plans.ts';
import type { Action } from '../tape/script.ts';
import { writeTape } from '../tape/write-tape.ts';
import { graphemes } from '../values/graphemes.ts';
import { given } from './arbitraries.ts';

/** Random fields of every kind except `pattern`, and tapes whose keys suit them. */
export interface KindSketch {
  readonly kind: Exclude<KindName, 'pattern'>;
  readonly entry: object;
  readonly locale: string;
}

const option = <T>(...values: readonly T[]) => fc.option(fc.constantFrom(...values), { nil: undefined });
const record = (shape: Record<string, fc.Arbitrary<unknown>>): fc.Arbitrary<object> =>
  fc.record(shape).map(given);

const localeOf = fc.constantFrom(
  'en-GB', 'en-US', 'de-DE', 'de-CH', 'en-IN', 'fr-FR', 'es-ES', 'ar-EG', 'fa-IR', 'hi-IN', 'ja-JP', 'ko-KR', 'he-IL', 'sv-SE', 'pl-PL', 'nl-NL', 'da-DK', 'mr-IN',
); // biome-ignore format: a list

const numeric = {
  fill: option('left', 'right'),
  grouping: option('typing', 'leave', 'never'),
  pad: option(true, false),
  negative: option('no', 'minus', 'parentheses'),
};
const decimals = fc.option(
  fc.tuple(fc.nat(3), fc.nat(4)).map(([min, more]) => ({ min, max: min + more })),
  { nil: undefined },
);

const offers = fc.constantFrom(
  [{ value: 'none', label: 'No meals' }, { value: 'half', label: 'Half board' }, { value: 'full', label: 'Full board' }],
  [{ value: 'by phone', label: 'By phone' }, { value: 'phone', label: 'A phone, by' }, { value: 'at  the hut', label: 'Hut' }, { value: 'by', label: 'Any' }],
  [{ value: 's', label: 'Sauna, hot' }, { value: 'S', label: 'Sauna' }, { value: 'w', label: 'W' }, { value: '7', label: 'Seven漢' }],
); // biome-ignore format: a line each

/**
 * Fixed text after or between the content that the field itself accepts cannot be told from what is typed
 * (law 2); such code is for digits only.
 */
const { valued: _, ...sound } = shapes;

const entries: Readonly<Record<KindSketch['kind'], fc.Arbitrary<object>>> = {
  text: record({ trim: option(true, false), collapse: option(true, false), case: option('upper', 'lower'), max: option(3, 8), lines: option(1, 3), conceal: option(true) }),
  number: record({ ...numeric, decimals, unit: option('kg', 'kilogram', 'day', 'guests'), singular: option('guest', 'one') }),
  currency: record({ ...numeric, decimals, currency: fc.constantFrom('EUR', 'GBP', 'JPY', 'KWD', 'CLF', 'INR', 'CHF'), sign: option('symbol', 'code', 'none') }),
  percent: record({ ...numeric, decimals }),
  date: record({ parts: option('month'), order: option('locale', 'dmy', 'mdy', 'ymd'), separator: option('.', ' / '), resting: option('same', 'medium', 'long', 'full'), pivot: option(30) }),
  'date-time': record({ order: option('dmy', 'ymd'), clock: option(12, 24), resting: option('medium', 'full'), separator: option('.'), pivot: option(30, 70) }),
  time: record({ clock: option(12, 24), seconds: option(true, false) }),
  duration: fc.constantFrom({}, { units: ['h'] }, { units: ['min'] }, { units: ['h', 'min'] }, { bare: 'h' }, { units: ['h', 'min'], bare: 'min' }),
  phone: record({ home: fc.oneof(fc.constantFrom('GB', 'US', 'FR', 'DE', 'IT', 'JP', 'RU', 'HU', 'NO', 'BR', 'KE', 'AD', 'AT', 'SE', 'PN'), fc.constantFrom(...allRegions)), regions: option<unknown>('any', ['GB', 'FR', 'US', 'CA']), style: option('national', 'international'), types: option(['mobile'], ['fixed']), extension: option(true) }),
  pin: record({ length: option(3, 4, 12), accept: option('digit', 'alnum'), conceal: option(false) }),
  'one-time-code': fc.tuple(fc.constantFrom({}, { length: 3 }, { length: 6 }, { length: 4, groups: [1, 3] }, { groups: [2, 4] }), record({ accept: option('digit', 'alnum') })).map(([sizes, more]) => ({ ...sizes, ...more })),
  choice: record({ options: offers, draw: option('list', 'radio', 'segments') }),
  choices: record({ options: offers, count: fc.option(fc.record({ min: fc.integer({ min: 1, max: 2 }), max: fc.integer({ min: 2, max: 4 }) }, { requiredKeys: [] }), { nil: undefined }) }),
  'yes-no': record({ draw: option('tick', 'radio', 'segments'), yes: option('Yes, please', 'Ja'), no: option('Nein') }),
  custom: record({ code: fc.constantFrom(...Object.values(sound)), takes: option('digit', 'alnum', 'latin upper', '"0-9A-F" upper'), length: fc.option(fc.record({ min: fc.integer({ min: 1, max: 3 }), max: fc.integer({ min: 4, max: 12 }) }), { nil: undefined }) }),
}; // biome-ignore format: a line a kind

/**
 * The kinds that `sketchOf` makes random fields of: all but `pattern`, which has `sketch`.
 *
 * @example
 * kindNames.includes('date'); // true
 */
export const kindNames = Object.keys(entries) as readonly KindSketch['kind'][];

/**
 * Random fields of a kind (fast-check).
 *
 * @example
 * const locales = sketchOf('date').map(({ locale }) => locale);
 */
export const sketchOf = (kind: KindSketch['kind']): fc.Arbitrary<KindSketch> =>
  fc.record({ kind: fc.constant(kind), entry: entries[kind], locale: localeOf });

const limits: Readonly<Partial<Record<KindName, RuleDocument['check']>>> = {
  number: { type: 'range', min: 10, max: 5000, step: '0.5' },
  currency: { type: 'range', min: '20', max: '2500' },
  percent: { type: 'range', max: 100 },
  date: { type: 'range', min: 'today', max: 'today+18m' },
  'date-time': { type: 'range', min: 'today', max: '2027-12-24T18:30' },
  time: { type: 'range', min: '09:00', max: '17:30' },
  duration: { type: 'range', min: 15, max: 600, step: 5 },
};

export function compiledOf({ kind, entry, locale }: KindSketch): HydratedField {
  const rules: RuleDocument[] = [
    { id: 'required', check: { type: 'required' } },
    { id: 'trivial', check: { type: 'not-trivial' }, show: 'at-once' },
  ];
  const range = limits[kind];
  if (range) rules.push({ id: 'range', check: range, show: 'at-once' });
  const definition = { id: 'field', kind, label: 'Field', entry, rules, messages: 'all' } as FieldDocument;
  const field = compileField(definition, { locale }, kinds);
  return field.kind.withFormat ? { ...field, kind: field.kind.withFormat(plainly()) } : field;
}

const keys: Readonly<Record<KindSketch['kind'], string>> = {
  text: 'aB c  é👍🏽ß9-\n\r',
  number: '0123456789.,-( 7',
  currency: '0123456789.,-()£ 5',
  percent: '0123456789.,-%',
  date: '0123456789/. -4',
  'date-time': '0123456789/.: T-apPM,',
  time: '0123456789:. apPM',
  duration: '0123456789hm: 9.,5',
  phone: '0123456789+()- x07',
  pin: '0123456789a -',
  'one-time-code': '0123456789aZ -',
  choice: 'hH n',
  choices: 'sw ;',
  'yes-no': 'yYnN 1',
  custom: '0123456789abF-() K4',
};

/** Texts with a meaning as a whole, for kinds whose values are picked. */
const wholes: Readonly<Partial<Record<KindSketch['kind'], readonly string[]>>> = {
  choice: ['none', 'half', 'Half board', 'full', 's', 'S', 'sauna', 'Sauna, hot', 'W', '7'],
  choices: [
    'half',
    'full none',
    'Half board; No meals',
    's S w 7',
    'S, w',
    'Sauna, hot; W',
    'Sauna; x',
    'W\nSauna',
  ],
  'yes-no': ['yes', 'no', 'Yes', 'true', 'false', 'Ja', 'nein', 'Yes, please'],
};

/** Texts of characters that a kind takes, and some that it does not. */
export function textFor(kind: KindSketch['kind'], maxLength = 12): fc.Arbitrary<string> {
  const typed = fc
    .array(
      fc.oneof(
        { arbitrary: fc.constantFrom(...graphemes(keys[kind])), weight: 12 },
        { arbitrary: fc.constantFrom('x', 'é', '٣', '７', '漢', '’', '€'), weight: 1 },
      ),
      { maxLength },
    )
    .map((list) => list.join(''));
  const meant = wholes[kind];
  return meant
    ? fc.oneof({ arbitrary: fc.constantFrom(...meant), weight: 3 }, { arbitrary: typed, weight: 1 })
    : typed;
}

/** An event that brings a text of the kind. */
export const eventFor = (kind: KindSketch['kind']): fc.Arbitrary<FieldEvent> =>
  fc
    .tuple(fc.constantFrom('key', 'insert', 'paste', 'set', 'autofill'), textFor(kind, 6))
    .map(([type, text]): FieldEvent => ({ type: type as 'key', text }));

/**
 * Random tapes for a kind: keys that it takes, edits in the middle, pastes, undo (fast-check).
 *
 * @example
 * const lengths = actionsFor('date').map((tape) => tape.length);
 */
export function actionsFor(kind: KindSketch['kind']): fc.Arbitrary<readonly Action[]> {
  const text = textFor(kind, 6);
  const at = fc.nat(16);
  const action: fc.Arbitrary<Action> = fc.oneof(
    { arbitrary: text.map((t): Action => ({ do: 'type', text: t })), weight: 7 },
    { arbitrary: at.map((n): Action => ({ do: 'select', start: n, end: n })), weight: 4 },
    { arbitrary: fc.tuple(at, at).map(([start, end]): Action => ({ do: 'select', start, end })), weight: 2 },
    {
      arbitrary: fc
        .tuple(fc.constantFrom('backspace', 'delete', 'left', 'right', 'word-backspace', 'up', 'down'), fc.integer({ min: 1, max: 3 }))
        .map(([verb, times]): Action => ({ do: verb as 'up', times })),
      weight: 6,
    },
    { arbitrary: fc.tuple(fc.constantFrom('paste', 'insert', 'autofill', 'set'), text).map(([verb, t]): Action => ({ do: verb as 'set', text: t })), weight: 3 },
    { arbitrary: fc.constantFrom('cut', 'undo', 'redo', 'home', 'end', 'select-all', 'leave', 'focus', 'submit', 'reset').map((verb): Action => ({ do: verb as 'cut' })), weight: 5 },
  ); // biome-ignore format: a line an action
  return fc
    .array(action, { maxLength: 10 })
    .map((list) => Object.assign(list, { [fc.toStringMethod]: () => `\n${writeTape(list)}` }));
}

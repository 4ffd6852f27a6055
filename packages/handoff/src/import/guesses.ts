import { schemes } from '@arbeit/engine/checks';
import { compileField, type FieldDocument, type RuleDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { propose } from '@arbeit/engine/kinds/pattern';
import { offersFrom } from './offers.ts';
import { patternOf } from './pattern-of.ts';
import { forms } from './written.ts';

/** A field that accepts every example completely, but for a few. */
export interface Guess {
  readonly field: FieldDocument;
  /** The guess in words: `date`, `RH-<4 digit>`. */
  readonly what: string;
  /** Whether it follows from what the cells look like, and takes whatever looks like that. */
  readonly isByLook: boolean;
  /** The cells that the field does not accept. */
  readonly misfits: readonly Misfit[];
}

/** A cell that does not fit its column. */
export interface Misfit {
  /** Number of its row in the table; the first is 1. */
  readonly row: number;
  readonly text: string;
}

/** A column's name and id, and the locale of its examples. */
interface About {
  readonly id: string;
  /** The name of its field in records, if that is not the id. */
  readonly name?: string;
  readonly label: string;
  readonly locale: string;
}

/** A column to make guesses for. */
interface Column {
  readonly about: About;
  /** How many of its cells are not empty. */
  readonly filled: number;
  /** Its different examples. */
  readonly examples: readonly string[];
  /** Whether all examples match an expression. */
  all(form: RegExp): boolean;
  /** Whether its name matches an expression. */
  isCalled(names: RegExp): boolean;
  made(what: string, kind: string, entry: object, more?: object): Guess;
}

/** The guesses for a column, the likeliest first. The last is a text, which accepts everything. */
export function guessesFor(about: About, filled: number, examples: readonly string[]): readonly Guess[] {
  const { id, name, label } = about;
  const named = name === undefined ? { id } : { id, name };
  const column: Column = {
    about,
    filled,
    examples,
    all: (form) => examples.length > 0 && examples.every((text) => form.test(text)),
    isCalled: (names) => names.test(label.toLowerCase()),
    made: (what, kind, entry, more = {}) => ({
      what,
      isByLook: false,
      misfits: [],
      field: { ...named, label, kind, entry, ...more } as unknown as FieldDocument,
    }),
  };
  const candidates = [
    ...moments(column),
    ...addresses(column),
    ...codes(column),
    ...amounts(column),
    ...[...offers(column), ...shapes(column)].map((guess) => ({ ...guess, isByLook: true })),
  ];
  const taken = candidates.filter(({ field }) => examples.every(accepting(field, about.locale)));
  const known = new Set<string>();
  const once = taken.filter(({ what }) => !known.has(what) && known.add(what));
  return [...once, column.made('text', 'text', {})];
}

/** Guesses for yes or no, dates, times and durations. */
function moments({ all, isCalled, made }: Column): readonly Guess[] {
  const time = made('time', 'time', {
    clock: all(/m\.?$/i) ? 12 : 24,
    ...(all(/:\d\d:/) ? { seconds: true } : {}),
  });
  const lasts = isCalled(/duration|dauer|durée|takes|how long|hours|minutes/)
    ? [made('duration', 'duration', {})]
    : [];
  return [
    ...(all(/^(?:yes|no|true|false)$/i) ? [made('yes or no', 'yes-no', { draw: 'radio' })] : []),
    ...(all(/^\d{4}-\d\d-\d\d$|^\d{1,2}[./-]\d{1,2}[./-]\d{2,4}$|\p{L}{3,}.*\d{4}/u)
      ? [made('date', 'date', {})]
      : []),
    ...(all(/^\d{1,2}:\d\d$/) ? lasts : []),
    ...(all(/^\d{1,2}:\d\d(?::\d\d)?(?: ?[ap]\.?m\.?)?$/i) ? [time] : []),
    ...(all(/^(?:\d+ ?h(?:ours?)?\b ?)?(?:\d+ ?m(?:in)?)?$/i) && all(/\d ?[hm]/i)
      ? [made('duration', 'duration', {})]
      : []),
  ];
}

const matching = (pattern: string): { readonly rules: readonly RuleDocument[] } => ({
  rules: [{ id: 'form', check: { type: 'matches', pattern } }],
});
const is = (pattern: string): RegExp => new RegExp(`^(?:${pattern})$`, 'u');

/** Guesses for addresses: e-mail, web, telephone. */
function addresses({ about, all, isCalled, made }: Column): readonly Guess[] {
  const home = about.locale.split('-').find((part) => /^[A-Z]{2}$/.test(part)) ?? 'GB';
  return [
    ...(all(/@/)
      ? [
          made(
            'e-mail address',
            'text',
            { case: 'lower' },
            { ...matching(forms.email), html: { inputmode: 'email', autocomplete: 'email' } },
          ),
        ]
      : []),
    ...(all(is(forms.url)) && all(/:\/\//)
      ? [made('web address (URL)', 'text', {}, { ...matching(forms.url), html: { inputmode: 'url' } })]
      : []),
    ...(all(is(forms.ipv4)) ? [made('an IPv4 address', 'text', {}, matching(forms.ipv4))] : []),
    ...(isCalled(/phone|mobile|tel\b|telefon|téléphone|handy|cell\b/) || all(/^\+\d/)
      ? [made('phone number', 'phone', { home, regions: 'any' })]
      : []),
  ];
}

/** Digits, grouped or not, with or without decimals. */
const number = /^-?(?:\d+|\d{1,3}(?:[.,' ]\d{2,3})+)(?:[.,]\d{1,6})?$/;

/** Guesses for numbers, amounts and percentages. */
function amounts({ about, all, isCalled, examples, made }: Column): readonly Guess[] {
  const [first = ''] = examples;
  const symbol = /[€£$¥]/.exec(first)?.[0] ?? '';
  const currency =
    /(?:^|\s)([A-Z]{3})(?:\s|$)/.exec(first)?.[1] ?? { '€': 'EUR', '£': 'GBP', $: 'USD', '¥': 'JPY' }[symbol];
  const signed = examples.some((text) => /^-|-$/.test(text)) ? { negative: 'minus' } : {};
  const decimal = decimalOf(about.locale);
  const digits = Math.max(0, ...examples.map((text) => digitsBehind(text, decimal)));
  const decimals = digits ? { decimals: { max: digits } } : {};
  // Numbers have no leading zero, and seldom more digits: this is a code.
  const isCode =
    examples.some((text) => /^0\d/.test(text) || text.replace(/\D/g, '').length > 12) ||
    (isCalled(/\bcode|\bzip|\bplz|\bid\b/) &&
      all(new RegExp(`^\\d{${Math.max(4, examples[0]?.length ?? 0)}}$`)));
  return [
    ...(currency && all(/\d/) ? [made(`amount in ${currency}`, 'currency', { currency, ...signed })] : []),
    ...(all(/%$/) ? [made('percentage', 'percent', { decimals: { max: digits }, ...signed })] : []),
    ...(all(number) && !isCode ? [made('number', 'number', { ...decimals, ...signed })] : []),
  ];
}

/**
 * How many decimals a number has as written. Three digits after the grouping separator of the locale are not
 * decimals.
 */
function digitsBehind(text: string, decimal: string): number {
  const [, sign, digits = ''] = /([.,])(\d{1,6})(?=\D*$)/.exec(text) ?? [];
  return digits.length === 3 && sign !== decimal ? 0 : digits.length;
}

/** The decimal separator of a locale. */
function decimalOf(locale: string): string {
  const number = { id: 'a', label: 'A', kind: 'number', entry: { decimals: { max: 1 } } };
  const field = opened(number as unknown as FieldDocument, locale);
  const shown = field?.kind.parse(field.plan, '1.5').body.display ?? '';
  return /[.,]/.exec(shown)?.[0] ?? '.';
}

/** Guesses for PINs, codes and identifiers. */
function codes({ all, examples, isCalled, made }: Column): readonly Guess[] {
  const size = examples[0]?.length ?? 0;
  const isFixed = all(new RegExp(`^\\d{${Math.max(3, Math.min(12, size))}}$`));
  const named = Object.entries({ UUID: forms.uuid, colour: forms.color, 'MAC address': mac });
  return [
    ...(isFixed && isCalled(/pin\b/) ? [made('PIN', 'pin', { length: size })] : []),
    ...(isFixed && isCalled(/\bcode|otp/) && !isCalled(/post|zip|area|country/)
      ? [made('one-time code', 'one-time-code', { length: size })]
      : []),
    ...named.flatMap(([what, form]) => {
      const own = examples.some((text) => /[A-F]/.test(text)) ? form.replaceAll('a-f', 'A-F') : form;
      const found = all(new RegExp(`^${form}$`, 'i')) ? patternOf(own) : undefined;
      return found?.is === 'exact' ? [made(what, 'pattern', { pattern: found.pattern, raw: 'text' })] : [];
    }),
  ];
}

const mac = '[0-9a-f]{2}(?::[0-9a-f]{2}){5}';

/** Yes and no in other languages. */
const pairs = [
  ['ja', 'nein'],
  ['oui', 'non'],
  ['sí', 'no'],
  ['si', 'no'],
  ['sì', 'no'],
  ['ja', 'nej'],
  ['ja', 'nee'],
  ['tak', 'nie'],
];

/** Guesses for choices: values that repeat, or yes and no. */
function offers({ filled, examples, made }: Column): readonly Guess[] {
  const distinct = examples.length;
  const isPair = pairs.some(
    (pair) => distinct === 2 && examples.every((text) => pair.includes(text.toLowerCase())),
  );
  if (!isPair && !(distinct >= 2 && distinct <= 8 && filled >= distinct * 2)) return [];
  // The values of the table stay as they are.
  const named = examples.map((text) => ({ value: text, label: text }));
  return [made('choice', 'choice', { options: offersFrom(named).options })];
}

/** Guesses for patterns, if the examples have one shape and more than letters. */
function shapes({ examples, made }: Column): readonly Guess[] {
  if (examples.length === 0 || !examples.some((text) => /\d/.test(text))) return [];
  const proposed = propose([...examples]);
  if (!proposed.ok) return [];
  const rule = checked(examples);
  // What only some of them have is not part of a column's pattern.
  const patterns = proposed.proposals.flatMap(({ pattern }) => (pattern.includes('<?') ? [] : [pattern]));
  return patterns
    .slice(0, 2)
    .flatMap((pattern) => [
      ...(rule ? [made(`${pattern}, with check digits`, 'pattern', { pattern }, { rules: [rule] })] : []),
      made(pattern, 'pattern', { pattern, raw: 'text' }),
    ]);
}

/** The check digits that all examples of a column have, if there are too many examples for chance. */
function checked(examples: readonly string[]): RuleDocument | undefined {
  const bare = examples.map((text) => text.replace(/[\s\p{P}]/gu, ''));
  const isLong = bare.every((text) => text.length >= 8);
  if (!isLong || bare.length < 2) return undefined;
  // The first four characters of an IBAN are read last (ISO 13616).
  const turned = bare.map((text) => text.slice(4) + text.slice(0, 4));
  if (turned.every(schemes.mod97))
    return { id: 'check', check: { type: 'checksum', scheme: 'mod97', rotate: 4 } };
  const isLuhn = bare.length >= 3 && bare.every((text) => /^\d+$/.test(text) && schemes.luhn(text));
  return isLuhn ? { id: 'check', check: { type: 'checksum', scheme: 'luhn' } } : undefined;
}

/** A definition as a hydrated field; `undefined` if it is invalid. */
function opened(definition: FieldDocument, locale: string) {
  try {
    return compileField(definition, { locale }, kinds);
  } catch (error) {
    // A guess without a valid definition is dropped.
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

/** Whether a field accepts a text completely. */
export function accepting(definition: FieldDocument, locale: string): (text: string) => boolean {
  const field = opened(definition, locale);
  return (text) => {
    if (!field) return false;
    const { kind, plan } = field;
    // A cell is what a person wrote in this locale, or what a program did.
    const ways = [kind.readText?.(plan, text), kind.parse(plan, text)];
    return ways.some((way) => way?.body?.complete === true && !way.leftOut && !way.rejected);
  };
}

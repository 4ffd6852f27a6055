import { compileField, type FieldDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { propose } from '@arbeit/engine/kinds/pattern';
import { parse } from 'csv-parse/browser/esm/sync';
import { idFor, labelFor } from './sound.ts';

/** A column of a table as a field, to be confirmed: what it may be, the likeliest first. */
export interface Column {
  readonly name: string;
  readonly examples: readonly string[];
  readonly guesses: readonly Guess[];
}

/** A field that takes every one of the examples whole. */
export interface Guess {
  readonly field: FieldDocument;
  /** What it was taken for, in words: `a date`, `RH-<4 digit>`. */
  readonly what: string;
}

/** More rows than this say nothing more of a column. */
const mostExamples = 200;
const mostColumns = 500;

/** The rows of pasted cells or of a CSV (RFC 4180), whatever stands between the cells: a tab, a semicolon or a comma. */
export function rowsOf(text: string): readonly (readonly string[])[] {
  const [first = ''] = text.split(/\r?\n/);
  const counts = ['\t', ';', ','].map((sign) => [sign, first.split(sign).length] as const);
  const [delimiter] = counts.reduce((best, one) => (one[1] > best[1] ? one : best));
  const rows = parse(text, {
    delimiter,
    relaxColumnCount: true,
    skipEmptyLines: true,
    bom: true,
    relaxQuotes: true,
    trim: true,
  }) as string[][];
  return rows.filter((row) => row.some((cell) => cell !== ''));
}

/** Where the names of the fields stand: above the columns, or before the rows, as a list of names with an example or two has them. */
export type Names = 'above' | 'before';

const isName = (cell: string | undefined): boolean =>
  cell !== undefined && /^\p{L}[\p{L}\p{N} _.\-’'()/]*$/u.test(cell);

/**
 * Where the names most likely stand: where all of them look like names, each only once, and where what is beside or below each says more of
 * it; what several examples agree on says more than what one does.
 */
export function namesIn(rows: readonly (readonly string[])[]): Names {
  const says = (names: Names): number => {
    const given = names === 'above' ? (rows[0] ?? []) : rows.map(([cell = '']) => cell);
    if (!given.every(isName) || new Set(given).size < given.length) return -1;
    const columns = fromTable(rows.slice(0, 50), names);
    const told = columns.map(({ guesses, examples }) =>
      guesses.length > 1 ? Math.min(2, examples.length) : 0,
    );
    return told.reduce((sum, one) => sum + one, 0) / Math.max(1, columns.length);
  };
  return says('before') > says('above') ? 'before' : 'above';
}

/** The columns of a table, each with what it may be: every guess takes all of its examples, else it is none. */
export function fromTable(
  rows: readonly (readonly string[])[],
  names: Names,
  locale = 'en-GB',
): readonly Column[] {
  const columns: (readonly string[])[] =
    names === 'before'
      ? rows.map((row) => row)
      : (rows[0] ?? []).map((_, i) => rows.map((row) => row[i] ?? ''));
  const taken = new Set<string>();
  return columns.slice(0, mostColumns).flatMap(([name = '', ...cells]) => {
    if (!name) return [];
    const examples = [...new Set(cells.filter((cell) => cell !== ''))].slice(0, mostExamples);
    const id = idFor(name, taken);
    taken.add(id);
    return [{ name, examples, guesses: guessesFor({ id, label: labelFor(name) }, cells, examples, locale) }];
  });
}

interface About {
  readonly id: string;
  readonly label: string;
}

const email = { id: 'form', check: { type: 'matches', pattern: '[^@\\s]+@[^@\\s]+\\.[^@\\s.]+' } };

/** What a column may be, tried in turn; a text is taken by every field of text. */
function guessesFor(
  about: About,
  cells: readonly string[],
  examples: readonly string[],
  locale: string,
): readonly Guess[] {
  const made = (what: string, kind: string, entry: object, more: object = {}): Guess => ({
    what,
    field: { ...about, kind, entry, ...more } as unknown as FieldDocument,
  });
  const isCalled = (names: RegExp): boolean => names.test(about.label.toLowerCase());
  const home = locale.split('-').find((part) => /^[A-Z]{2}$/.test(part)) ?? 'GB';
  const all = (form: RegExp): boolean => examples.length > 0 && examples.every((text) => form.test(text));
  const decimals = Math.max(
    0,
    ...examples.map((text) => (/[.,](\d{1,6})(?=\D*$)/.exec(text)?.[1] ?? '').length),
  );
  const signed = examples.some((text) => /^-|-$/.test(text)) ? { negative: 'minus' } : {};
  const currency =
    /(?:^|\s)([A-Z]{3})(?:\s|$)/.exec(examples[0] ?? '')?.[1] ??
    { '€': 'EUR', '£': 'GBP', $: 'USD', '¥': 'JPY' }[/[€£$¥]/.exec(examples[0] ?? '')?.[0] ?? ''];
  const size = examples[0]?.length ?? 0;
  const isFixed = all(new RegExp(`^\\d{${Math.max(3, Math.min(12, size))}}$`));
  const distinct = examples.length;
  const filled = cells.filter(Boolean).length;
  const candidates: Guess[] = [
    ...(all(/^(?:yes|no|true|false)$/i) ? [made('yes or no', 'yes-no', { draw: 'radio' })] : []),
    ...(all(/^\d{4}-\d\d-\d\d$|^\d{1,2}[./-]\d{1,2}[./-]\d{2,4}$|\p{L}{3,}.*\d{4}/u)
      ? [made('a date', 'date', {})]
      : []),
    ...(all(/^\d{1,2}:\d\d(?::\d\d)?(?: ?[ap]m)?$/i)
      ? [made('a time', 'time', { clock: all(/m$/i) ? 12 : 24, ...(all(/:\d\d:/) ? { seconds: true } : {}) })]
      : []),
    ...(all(/@/)
      ? [
          made(
            'an e-mail address',
            'text',
            { case: 'lower' },
            { rules: [email], html: { inputmode: 'email', autocomplete: 'email' } },
          ),
        ]
      : []),
    ...(isCalled(/phone|mobile|tel\b|handy|cell/) || all(/^\+\d/)
      ? [made('a telephone number', 'phone', { home, regions: 'any' })]
      : []),
    ...(currency && all(/\d/) ? [made(`an amount in ${currency}`, 'currency', { currency, ...signed })] : []),
    ...(all(/%$/) ? [made('a percentage', 'percent', { decimals: { max: decimals }, ...signed })] : []),
    ...(isFixed && isCalled(/pin\b/) ? [made('a PIN', 'pin', { length: size })] : []),
    ...(isFixed && isCalled(/code|otp/) ? [made('a one-time code', 'one-time-code', { length: size })] : []),
    ...(all(/^-?[\d.,' ]+$/) && !all(/^0\d/)
      ? [made('a number', 'number', { ...(decimals ? { decimals: { max: decimals } } : {}), ...signed })]
      : []),
    ...(distinct >= 2 && distinct <= 8 && filled >= distinct * 2
      ? [made('one of a few', 'choice', { options: offersOf(examples) })]
      : []),
    ...shapes(examples).map((pattern) => made(pattern, 'pattern', { pattern, raw: 'text' })),
  ];
  return [...candidates.filter(({ field }) => takesAll(field, examples, locale)), made('a text', 'text', {})];
}

/** Texts as what is offered: a value for the program, the words for people. */
function offersOf(texts: readonly string[]): readonly { readonly value: string; readonly label: string }[] {
  const taken = new Set<string>();
  return texts.map((label) => {
    const value = idFor(label, taken);
    taken.add(value);
    return { value, label };
  });
}

/** Patterns made from the examples, where they are of one shape and have more to it than letters. */
function shapes(examples: readonly string[]): readonly string[] {
  if (examples.length === 0 || !examples.some((text) => /\d/.test(text))) return [];
  const proposed = propose([...examples]);
  // What only some of them have makes no shape of a column.
  return proposed.ok
    ? proposed.proposals.flatMap(({ pattern }) => (pattern.includes('<?') ? [] : [pattern])).slice(0, 2)
    : [];
}

/** Whether a field takes every example whole. */
function takesAll(definition: FieldDocument, examples: readonly string[], locale: string): boolean {
  try {
    const { kind, plan } = compileField(definition, { locale }, kinds);
    return examples.every((text) => {
      const { body, leftOut, rejected } = kind.read(plan, text);
      return body.complete && !leftOut && !rejected;
    });
  } catch (error) {
    // A guess that is no definition is none.
    if (error instanceof RangeError) return false;
    throw error;
  }
}

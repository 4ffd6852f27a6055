import { say } from '@arbeit/engine/faults';
import { parse } from 'csv-parse/browser/esm/sync';
import { accepting, type Guess, guessesFor } from './guesses.ts';
import { type Dropped, dropped, idFor, labelFor, namedAs } from './sanitize.ts';
import { importTexts } from './texts.ts';

/** A column of a table as a field, to be confirmed: its guesses, the likeliest first. */
export interface Column {
  readonly name: string;
  readonly examples: readonly string[];
  readonly guesses: readonly Guess[];
}

/** Different cells per column that guesses are made from. */
const mostExamples = 200;
/** Different cells per column that guesses are checked against: the preview waits for it. */
const mostChecked = 2000;
const mostColumns = 500;

/** Separators of cells. A line of a table in a text (Markdown, a terminal) has the last. */
const signs = ['\t', ';', ',', '|'];

/** The rows of pasted cells or of a CSV (RFC 4180), with any separator. */
export function rowsOf(text: string): readonly (readonly string[])[] {
  const [first = ''] = text.trimStart().split(/\r?\n/);
  const counts = signs.map((sign) => [sign, first.split(sign).length] as const);
  const [delimiter] = counts.reduce((best, one) => (one[1] > best[1] ? one : best));
  const isDrawn = delimiter === '|';
  const rows = parse(isDrawn ? undrawn(text) : text, {
    delimiter,
    relaxColumnCount: true,
    skipEmptyLines: true,
    bom: true,
    relaxQuotes: true,
    trim: true,
    // In a drawn table a quotation mark is a character.
    ...(isDrawn ? { quote: null } : {}),
  }) as string[][];
  return rows.filter((row) => row.some((cell) => cell !== ''));
}

/** A drawn table without its border lines and without the text below it. */
const undrawn = (text: string): string =>
  text
    .split(/\r?\n/)
    .filter((line) => line.includes('|') && !/^[\s|+:=-]*$/.test(line))
    .map((line) => line.trim().replace(/^\||\|$/g, ''))
    .join('\n');

/**
 * Where the names of the fields are: above the columns, or before the rows, as in a list of names with an
 * example or two.
 */
export type Names = 'above' | 'before';

const isName = (cell: string | undefined): boolean =>
  cell !== undefined && /^\p{L}[\p{L}\p{N} _.\-’'()/]*$/u.test(cell);

/**
 * Where the names probably are: all of them look like names, each occurs once, and the cells below or beside
 * each agree. Agreement among several examples counts more than one example.
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

/** The locale that cells are probably written in, by their dates and numbers; British English by default. */
export const localeIn = (rows: readonly (readonly string[])[]): string => evidenceIn(rows) ?? 'en-GB';

function evidenceIn(rows: readonly (readonly string[])[]): string | undefined {
  const cells = rows.slice(0, mostExamples).flat();
  const has = (form: RegExp): boolean => cells.some((cell) => form.test(cell));
  const isMonthFirst = has(/^(?:0?[1-9]|1[0-2])\/(?:1[3-9]|2\d|3[01])\/\d{2,4}$/);
  if (isMonthFirst && !has(/^(?:1[3-9]|2\d|3[01])\/\d{1,2}\/\d{2,4}$/)) return 'en-US';
  // A comma before one or two digits, or full stops between thousands, are not English.
  if (has(/^\D{0,4}-?\d+(?:\.\d{3})*,\d{1,2}\D{0,4}$/) || has(/^\d{1,2}\.\d{1,2}\.\d{4}$/)) return 'de-DE';
  return has(/^\(\d{3}\) \d{3}-\d{4}$|^\$/) ? 'en-US' : undefined;
}

/** The cells of a column that a guess does not accept, as what was not imported. */
export const misfitsOf = (name: string, { misfits }: Guess): readonly Dropped[] =>
  misfits.map(({ row, text }) => ({
    where: name,
    ...dropped(say(importTexts, 'misfit', { row, text: text.slice(0, 80) })),
  }));

/**
 * The locales a column may be written in, the likeliest first: cells with a decimal comma are not English,
 * whatever the rest of the table is.
 */
function localesFor(locale: string, cells: readonly string[]): ReadonlySet<string> {
  const own = evidenceIn([cells]) ?? locale;
  const isOther = locale.startsWith('en') && !own.startsWith('en');
  return new Set(isOther ? [own, locale] : [locale, own]);
}

/** A column's name, id and locale. */
type About = Parameters<typeof guessesFor>[0];

/** The share of a column's cells that need not fit a guess: one in twenty, and one of ten at least. */
const quotaOf = (filled: number): number => (filled < 10 ? 0 : Math.max(1, Math.floor(filled / 20)));

/** A text with its digits and letters made alike: what cells of one kind have in common. */
const shapeOf = (text: string): string =>
  text
    .replace(/\p{Nd}+/gu, '0')
    .replace(/\p{Lu}+/gu, 'A')
    .replace(/\p{Ll}+/gu, 'a');

/** The cells of a column that look like most of them, without the rarest shapes. */
function usualIn(filled: readonly string[], quota: number): readonly string[] {
  const shapes = new Map<string, number>();
  for (const text of filled) shapes.set(shapeOf(text), (shapes.get(shapeOf(text)) ?? 0) + 1);
  const odd = new Set<string>();
  let left = quota;
  for (const [shape, count] of [...shapes].sort(([, a], [, b]) => a - b)) {
    left -= count;
    if (left < 0) break;
    odd.add(shape);
  }
  return filled.filter((text) => !odd.has(shapeOf(text)));
}

/**
 * The guesses for a column. If no kind but text accepts all its cells, those that look like few others are
 * misfits; cells of another locale than the table's decide on that.
 */
function guessed(about: About, cells: readonly string[]): readonly Guess[] {
  const filled = cells.filter((cell) => cell !== '');
  const quota = quotaOf(filled.length);
  const different = [...new Set(filled)].slice(0, mostChecked);
  /** Guesses that are made from some cells and fit all others but a few. */
  const from = (own: readonly string[], locale: string): readonly Guess[] => {
    const examples = [...new Set(own)].slice(0, mostExamples);
    // Without the last, which accepts everything.
    const likely = guessesFor({ ...about, locale }, own, examples).slice(0, -1);
    return likely.flatMap((guess) => {
      const accepts = accepting(guess.field, locale);
      const odd = new Set(different.filter((text) => !accepts(text)));
      // The first row has the names.
      const misfits = cells.flatMap((text, i) => (odd.has(text) ? [{ row: i + 2, text }] : []));
      const field = locale === about.locale ? guess.field : { ...guess.field, locale };
      return misfits.length > quota ? [] : [{ ...guess, field, misfits }];
    });
  };
  const [plain] = guessesFor(about, [], []).slice(-1) as [Guess];
  const usual = usualIn(filled, quota);
  for (const own of usual.length < filled.length ? [filled, usual] : [filled])
    for (const locale of localesFor(about.locale, own)) {
      const found = from(own, locale);
      if (found.length > 0) return [...found, plain];
    }
  return [plain];
}

/**
 * The columns of a table, each with its guesses. A guess lists the cells that it does not accept, among the
 * first 2,000 different ones.
 */
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
    // A heading with a capital or spaces is a label; another one may be the name of a column.
    const about = {
      id,
      ...namedAs(/^[a-z][\w.-]*$/.test(name) ? name : undefined, id),
      label: labelFor(name),
      locale,
    };
    return [{ name, examples, guesses: guessed(about, cells) }];
  });
}

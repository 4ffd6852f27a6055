import { parse } from 'csv-parse/browser/esm/sync';
import { type Guess, guessesFor } from './guesses.ts';
import { idFor, labelFor } from './sanitize.ts';

/** A column of a table as a field, to be confirmed: its guesses, the likeliest first. */
export interface Column {
  readonly name: string;
  readonly examples: readonly string[];
  readonly guesses: readonly Guess[];
}

/** Rows read per column; more would not change the guesses. */
const mostExamples = 200;
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

/** The locale that cells are probably written in, by their dates and numbers. */
export function localeIn(rows: readonly (readonly string[])[]): string {
  const cells = rows.slice(0, mostExamples).flat();
  const has = (form: RegExp): boolean => cells.some((cell) => form.test(cell));
  const isMonthFirst = has(/^(?:0?[1-9]|1[0-2])\/(?:1[3-9]|2\d|3[01])\/\d{2,4}$/);
  if (isMonthFirst && !has(/^(?:1[3-9]|2\d|3[01])\/\d{1,2}\/\d{2,4}$/)) return 'en-US';
  // A comma before one or two digits, or full stops between thousands, are not English.
  if (has(/^\D{0,4}-?\d+(?:\.\d{3})*,\d{1,2}\D{0,4}$/) || has(/^\d{1,2}\.\d{1,2}\.\d{4}$/)) return 'de-DE';
  return has(/^\(\d{3}\) \d{3}-\d{4}$|^\$/) ? 'en-US' : 'en-GB';
}

/** The columns of a table, each with its guesses. Every guess accepts all of its examples. */
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
    const about = { id, label: labelFor(name), locale };
    return [{ name, examples, guesses: guessesFor(about, cells, examples) }];
  });
}

import { say } from '@arbeit/engine/faults';
import { parse } from 'csv-parse/browser/esm/sync';
import { accepting, type Guess, guessesFor } from './guesses.ts';
import { type Dropped, dropped, idFor, labelFor, namedAs } from './sanitize.ts';
import { importTexts } from './texts.ts';

/** A column of a table as a field, to be confirmed: its guesses, the likeliest first. */
export interface Column {
  readonly name: string;
  /** The first of its different cells. */
  readonly examples: readonly string[];
  /** The number of its different cells. */
  readonly different: number;
  readonly guesses: readonly Guess[];
}

/** Different cells per column that guesses are made from. */
const mostExamples = 200;
const mostColumns = 500;

/** Separators of cells. A line of a table in a text (Markdown, a terminal) has the last. */
const signs = ['\t', ';', ',', '|'];

const isFilled = (row: readonly string[]): boolean => row.some((cell) => cell !== '');

/**
 * The rows of pasted cells or of a CSV (RFC 4180), with any separator. Blank rows stay among the others, so
 * that a row has the number it has in a spreadsheet; those at the end do not.
 */
export function rowsOf(text: string): readonly (readonly string[])[] {
  const [first = ''] = /^.*/.exec(text.trimStart()) ?? [];
  const counts = signs.map((sign) => [sign, first.split(sign).length] as const);
  const [delimiter] = counts.reduce((best, one) => (one[1] > best[1] ? one : best));
  const isDrawn = delimiter === '|';
  const rows = parse(isDrawn ? undrawn(text) : text, {
    delimiter,
    relaxColumnCount: true,
    skipEmptyLines: false,
    bom: true,
    relaxQuotes: true,
    trim: true,
    // In a drawn table a quotation mark is a character.
    ...(isDrawn ? { quote: null } : {}),
  }) as string[][];
  return rows.slice(0, rows.findLastIndex(isFilled) + 1);
}

/**
 * The beginning of a text: so many of its lines, and more until no cell in quotation marks is cut. A text of
 * megabytes takes seconds to be read as a whole.
 */
export function beginningOf(text: string, lines: number): string {
  let isInQuotes = false;
  let end = 0;
  for (let line = 1; end < text.length && (line <= lines || isInQuotes); line++) {
    const next = text.indexOf('\n', end) + 1 || text.length;
    // A quotation mark within a cell is doubled (RFC 4180).
    if (text.slice(end, next).split('"').length % 2 === 0) isInQuotes = !isInQuotes;
    end = next;
  }
  return text.slice(0, end);
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

/** A text with its digits and letters made alike: what cells of one kind have in common. */
const shapeOf = (text: string): string =>
  text
    .replace(/\p{Nd}+/gu, '0')
    .replace(/\p{Lu}+/gu, 'A')
    .replace(/\p{Ll}+/gu, 'a');

/** Whether cells are codes of one form (`RH-1000`) under a name: names differ in their form. */
function areCodesBelow([first = '', ...rest]: readonly string[]): boolean {
  const shapes = new Set(rest.map(shapeOf));
  const [shape = ''] = shapes;
  return rest.length > 1 && shapes.size === 1 && shape.includes('0') && shapeOf(first) !== shape;
}

/**
 * Where the names probably are: all of them look like names, each occurs once, and the cells below or beside
 * each agree. Agreement among several examples counts more than one example.
 */
export function namesIn(all: readonly (readonly string[])[]): Names {
  const rows = all.slice(0, mostExamples).filter(isFilled);
  const says = (names: Names): number => {
    const given = names === 'above' ? (rows[0] ?? []) : rows.map(([cell = '']) => cell);
    if (!given.every(isName) || new Set(given).size < given.length) return -1;
    if (names === 'before' && areCodesBelow(given)) return -1;
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

/** The different cells of a column that look like most of its cells, without the rarest shapes. */
function usualIn(times: ReadonlyMap<string, number>, quota: number): readonly string[] {
  const shapes = new Map<string, number>();
  const shaped = [...times].map(([text, count]) => [text, shapeOf(text), count] as const);
  for (const [, shape, count] of shaped) shapes.set(shape, (shapes.get(shape) ?? 0) + count);
  const odd = new Set<string>();
  let left = quota;
  for (const [shape, count] of [...shapes].sort(([, a], [, b]) => a - b)) {
    left -= count;
    if (left < 0) break;
    odd.add(shape);
  }
  return shaped.flatMap(([text, shape]) => (odd.has(shape) ? [] : [text]));
}

/** The cells of a column. */
interface Cells {
  readonly texts: readonly string[];
  /** The number of the first. */
  readonly first: number;
}

/** How often each text occurs that is not empty. */
function timesOf(texts: readonly string[]): ReadonlyMap<string, number> {
  const times = new Map<string, number>();
  for (const text of texts) if (text !== '') times.set(text, (times.get(text) ?? 0) + 1);
  return times;
}

/** Cells between two reports of progress. */
const mostUnreported = 1000;

/**
 * The guesses for a column. If no kind but text accepts all its cells, those that look like few others are
 * misfits; cells of another locale than the table's decide on that.
 */
function guessed(
  about: About,
  { texts, first }: Cells,
  times: ReadonlyMap<string, number>,
  report: (share: number) => void,
): readonly Guess[] {
  const quota = quotaOf([...times.values()].reduce((sum, count) => sum + count, 0));
  const different = [...times.keys()];
  /** The cells that a guess does not accept; `undefined` if they are too many. */
  const oddFor = (guess: Guess, locale: string, reported: (share: number) => void) => {
    const accepts = accepting(guess.field, locale);
    const odd = new Set<string>();
    let left = quota;
    for (const [at, text] of different.entries()) {
      if (at % mostUnreported === 0) reported(at / different.length);
      if (accepts(text)) continue;
      left -= times.get(text) ?? 0;
      if (left < 0) return undefined;
      odd.add(text);
    }
    return odd;
  };
  /** Guesses that are made from some cells and fit all others but a few. */
  const from = (own: readonly string[], locale: string): readonly Guess[] => {
    const examples = own.slice(0, mostExamples);
    const filled = own.reduce((sum, text) => sum + (times.get(text) ?? 0), 0);
    // Without the last, which accepts everything.
    const likely = guessesFor({ ...about, locale }, filled, examples).slice(0, -1);
    return likely.flatMap((guess, i) => {
      const odd = oddFor(guess, locale, (share) => report((i + share) / likely.length));
      if (!odd) return [];
      const misfits =
        odd.size === 0 ? [] : texts.flatMap((text, i) => (odd.has(text) ? [{ row: first + i, text }] : []));
      const field = locale === about.locale ? guess.field : { ...guess.field, locale };
      return [{ ...guess, field, misfits }];
    });
  };
  const [plain] = guessesFor(about, 0, []).slice(-1) as [Guess];
  const usual = usualIn(times, quota);
  /** The guesses in the likeliest locale that has any. */
  const best = (own: readonly string[]): readonly Guess[] => {
    for (const locale of localesFor(about.locale, own)) {
      const found = from(own, locale);
      if (found.length > 0) return found;
    }
    return [];
  };
  const all = best(different);
  // A look that takes all cells takes those as well that do not belong there.
  if (usual.length === different.length || (all[0] && !all[0].isByLook)) return [...all, plain];
  const without = best(usual);
  const isBetter = all.length === 0 || (without[0] !== undefined && !without[0].isByLook);
  return [...(isBetter ? without : all), plain];
}

/** The columns of a table as their name and cells, wherever the names are. */
function columnsOf(
  rows: readonly (readonly string[])[],
  names: Names,
): readonly (readonly [name: string, cells: Cells])[] {
  if (names === 'before')
    return rows
      .filter(isFilled)
      .slice(0, mostColumns)
      .map(([name = '', ...texts]) => [name, { texts, first: 2 }]);
  const head = rows.findIndex(isFilled);
  const below = rows.slice(head + 1);
  // The first row is row 1.
  const first = head + 2;
  return (rows[head] ?? [])
    .slice(0, mostColumns)
    .map((name, i) => [name, { texts: below.map((row) => row[i] ?? ''), first }]);
}

/**
 * The columns of a table, each with its guesses. A guess lists the cells that it does not accept, by the
 * number of their row, or of their column if the names are before the rows.
 *
 * @param report Called now and then with the share of the table that has been checked, from 0 to 1.
 */
export function fromTable(
  rows: readonly (readonly string[])[],
  names: Names,
  locale = 'en-GB',
  report: (share: number) => void = () => undefined,
): readonly Column[] {
  const columns = columnsOf(rows, names);
  const taken = new Set<string>();
  let furthest = 0;
  return columns.flatMap(([name, cells], at) => {
    if (!name) return [];
    const id = idFor(name, taken);
    taken.add(id);
    // A heading with a capital or spaces is a label; another one may be the name of a column.
    const about = {
      id,
      ...namedAs(/^[a-z][\w.-]*$/.test(name) ? name : undefined, id),
      label: labelFor(name),
      locale,
    };
    // A second way to read a column begins anew: the share never falls.
    const times = timesOf(cells.texts);
    const guesses = guessed(about, cells, times, (share) => {
      furthest = Math.max(furthest, (at + share) / columns.length);
      report(furthest);
    });
    const examples = [...times.keys()].slice(0, mostExamples);
    return [{ name, examples, different: times.size, guesses }];
  });
}

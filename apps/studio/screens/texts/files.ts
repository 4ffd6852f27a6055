import {
  languageOf,
  languagesOf,
  type SetDocument,
  textsOf,
  withTextAt,
  withTranslation,
} from '@arbeit/engine/document';
import type { Plural } from '@arbeit/engine/rules';
import { pluralCategories } from '@arbeit/engine/rules';
import { parse } from 'csv-parse/browser/esm/sync';
import * as words from '../../words/texts/files.ts';

type Words = string | Plural;

/** A text in one cell: as it is, or as JSON if it has plural forms. */
const cellOf = (text: Words | undefined): string =>
  text === undefined ? '' : typeof text === 'string' ? text : JSON.stringify(text);

/** A cell of CSV (RFC 4180). */
const quoted = (text: string): string => (/[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);

/**
 * The texts as a table (CSV, RFC 4180, UTF-8): a line per text with its key, the set's own words, and a
 * column per language.
 */
export function textsAsCsv(set: SetDocument): string {
  const languages = languagesOf(set);
  const lines = textsOf(set).map(({ key, text }) => [
    key,
    cellOf(text),
    ...languages.map((language) => cellOf(set.texts?.[language]?.[key])),
  ]);
  return [['name', languageOf({}, set), ...languages], ...lines]
    .map((cells) => `${cells.map(quoted).join(',')}\r\n`)
    .join('');
}

/** The texts as JSON: by language and key, the set's own among them. */
export function textsAsJson(set: SetDocument): string {
  const own = Object.fromEntries(
    textsOf(set).flatMap(({ key, text }) => (text === undefined ? [] : [[key, text]])),
  );
  return `${JSON.stringify({ [languageOf({}, set)]: own, ...set.texts }, null, 2)}\n`;
}

/**
 * The result of a file of texts: the set with them, how many were new or changed, and what is wrong with it,
 * in sentences.
 */
export interface TakenTexts {
  readonly set: SetDocument;
  readonly changed: number;
  readonly problems: readonly string[];
}

/**
 * Imports texts from CSV or JSON. Empty cells change nothing. Faults are reported and skipped; everything
 * else is imported.
 */
export function takeTexts(set: SetDocument, file: string): TakenTexts {
  const rows = file.trimStart().startsWith('{') ? fromJson(file) : fromCsv(file);
  if (typeof rows === 'string') return { set, changed: 0, problems: [rows] };
  const known = new Map(textsOf(set).map((text) => [text.key, text.text]));
  const problems: string[] = [];
  let next = set;
  let changed = 0;
  for (const { language, key, text, place } of rows) {
    const isOwn = language === languageOf({}, set);
    if (!isOwn && !isLanguage(language)) problems.push(words.isNotAValidLanguage(language));
    else if (!known.has(key)) problems.push(words.unknownKey(place, key));
    else if (cellOf(isOwn ? known.get(key) : set.texts?.[language]?.[key]) !== cellOf(text)) {
      next = isOwn ? withTextAt(next, key, text) : withTranslation(next, language, key, text);
      changed++;
    }
  }
  return { set: next, changed, problems: [...new Set(problems)] };
}

interface Row {
  readonly language: string;
  readonly key: string;
  readonly text: Words;
  readonly place: string;
}

function isLanguage(tag: string): boolean {
  try {
    return /^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/i.test(tag) && Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

/** Distinguishes plural forms from a text that happens to start with a brace. */
function wordsIn(cell: string): Words {
  if (!cell.startsWith('{"')) return cell;
  try {
    const read: unknown = JSON.parse(cell);
    return isPlural(read) ? read : cell;
  } catch {
    return cell;
  }
}

function isPlural(value: unknown): value is Plural {
  if (typeof value !== 'object' || value === null) return false;
  const { by, other, ...rest } = value as Record<string, unknown>;
  return (
    typeof by === 'string' &&
    typeof other === 'string' &&
    Object.entries(rest).every(
      ([form, text]) => pluralCategories.some((one) => one === form) && typeof text === 'string',
    )
  );
}

function fromCsv(file: string): readonly Row[] | string {
  let lines: string[][];
  try {
    lines = parse(file, { bom: true, relax_column_count: true, skip_empty_lines: true }) as string[][];
  } catch (problem) {
    return words.theTableCannotBeRead(problem instanceof Error ? problem.message : String(problem));
  }
  const [[name, ...languages] = [], ...rows] = lines;
  if (name !== 'name' || languages.length === 0) return words.theFirstLineNames;
  return rows.flatMap(([key = '', ...cells], i) =>
    cells.flatMap((cell, column): Row[] => {
      const language = languages[column];
      if (!cell.trim() || language === undefined) return [];
      return [{ language, key, text: wordsIn(cell), place: words.line(i + 2) }];
    }),
  );
}

function fromJson(file: string): readonly Row[] | string {
  let read: unknown;
  try {
    read = JSON.parse(file);
  } catch (problem) {
    return words.notValidJson(problem instanceof Error ? problem.message : String(problem));
  }
  return Object.entries(read as object).flatMap(([language, own]) =>
    typeof own !== 'object' || own === null
      ? []
      : Object.entries(own as object).flatMap(([key, text]): Row[] => {
          if (isPlural(text)) return [{ language, key, text, place: language }];
          return typeof text === 'string' && text.trim() ? [{ language, key, text, place: language }] : [];
        }),
  );
}

import { existsSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import type { SetDocument } from '@arbeit/engine/document';
import { say } from '@arbeit/engine/faults';
import { documentText } from '@arbeit/handoff';
import {
  fromHtml,
  fromSchema,
  fromTable,
  type Imported,
  localeIn,
  misfitsOf,
  namesIn,
  objectIn,
  rowsOf,
  type SourceFormat,
  sanitize,
  sourceFormatOf,
} from '@arbeit/handoff/import';
import { load } from './files.ts';
import { type Output, report, reportUnwritten } from './report.ts';
import { cliTexts } from './words.ts';

/** The formats that can be imported. A document needs no import. */
const importFormats = ['html', 'schema', 'table'] as const satisfies readonly SourceFormat[];

/** How a file is imported. */
export interface Importing {
  /** The document to write; by default the name of the file with another ending. */
  readonly out?: string | undefined;
  /** By default what the text looks like. */
  readonly format?: string | undefined;
  /** The locale of a table's cells; by default what they look like. */
  readonly locale?: string | undefined;
  readonly title?: string | undefined;
  readonly output: Output;
}

/**
 * `arbeit import`. Writes the fields of an HTML page, a JSON Schema or a table as a new document. An existing
 * file is never overwritten. Returns the exit code: 0 everything was imported, 1 something was not, 2 nothing
 * was written.
 */
export function importFile(path: string, { out, format, locale, title, output }: Importing): number {
  const text = load(path, output);
  if (text === undefined) return 2;
  const known = importFormats.find((one) => one === format);
  if (format !== undefined && !known) {
    report(output, '', say(cliTexts, 'unknown-format', { name: format, known: importFormats.join(', ') }));
    return 2;
  }
  const found = known ?? sourceFormatOf(text);
  if (found === 'document') {
    report(output, path, say(cliTexts, 'is-a-document'));
    return 2;
  }
  const name = basename(path).replace(/(?:\.schema)?\.\w+$/, '');
  const read = readAs(found, text, name, locale);
  if ('why' in read) {
    report(output, path, say(cliTexts, 'cannot-import', { reason: read.why }));
    return 2;
  }
  if (read.set.fields.length === 0) {
    report(output, path, say(cliTexts, 'nothing-to-import'));
    return 2;
  }
  const set: SetDocument = title?.trim() ? { ...read.set, title: title.trim().slice(0, 200) } : read.set;
  const target = out ?? `${name}.arbeit.json`;
  if (existsSync(target)) {
    report(output, target, say(cliTexts, 'file-exists'));
    return 2;
  }
  try {
    writeFileSync(target, documentText(set), { flag: 'wx' });
  } catch (error) {
    reportUnwritten(output, target, error);
    return 2;
  }
  for (const { where, code, why, place } of read.lost) {
    const at = place ? `${path}:${place.line}:${place.column}` : path;
    report(output, at, { code, message: `${where}: ${why}` });
  }
  for (const { id, kind } of set.fields) output.out(`${id}: ${kind}`);
  const count = set.fields.length;
  output.out(`${target}: ${count} ${count === 1 ? 'field' : 'fields'}`);
  return read.lost.length > 0 ? 1 : 0;
}

/** The fields of a text, or why there are none. */
function readAs(
  format: (typeof importFormats)[number],
  text: string,
  title: string,
  locale?: string,
): Imported | { readonly why: string } {
  if (format === 'html') return fromHtml(text);
  if (format === 'schema') {
    const root = objectIn(text);
    return typeof root === 'string' ? { why: root } : fromSchema(text, root);
  }
  try {
    const rows = rowsOf(text);
    const spoken = locale ?? localeIn(rows);
    const columns = fromTable(rows, namesIn(rows), spoken);
    // The likeliest guess of each column; the desk offers the others.
    const taken = columns.flatMap(({ name, guesses: [guess] }) => (guess ? [{ name, guess }] : []));
    const drafts = taken.map(({ guess: { field } }) => ({ field }));
    const misfits = taken.flatMap(({ name, guess }) => misfitsOf(name, guess));
    return sanitize({ title, locale: spoken }, drafts, misfits);
  } catch (error) {
    return { why: (error as Error).message };
  }
}

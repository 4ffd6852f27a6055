import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import { type Place, placesIn, readDocumentText, tooDeep } from '@arbeit/handoff';
import { parse } from 'jsonc-parser';
import * as words from '../words/model/import-document.ts';
import { placeInWords } from './place-words.ts';

/** A fault of an imported document, with its place and subject in words. */
export interface ImportFault {
  /** "the label of Deposit", "line 3". */
  readonly where: string;
  readonly line: number;
  readonly column: number;
  readonly message: string;
  readonly path: string;
}

/** The result of importing a text as a document. */
export interface ImportedDocument {
  /** The document, if it is valid. */
  readonly document: SetDocument | null;
  readonly faults: readonly ImportFault[];
  /** The fields of an invalid document that are valid themselves. */
  readonly fields: readonly FieldDocument[];
  readonly title: string;
  readonly locale: string;
  readonly classes: Readonly<Record<string, string>> | undefined;
}

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Imports a text as a document. For an invalid one it returns all faults with their places, and the fields
 * that can be used anyway.
 */
export function importDocument(text: string): ImportedDocument {
  const result = readDocumentText(text);
  // Whatever can be read of a text that is not valid JSON is read anyway.
  const found: unknown = tooDeep(text) ? undefined : parse(text, [], { allowTrailingComma: true });
  const root = isObject(found) ? found : {};
  const title = typeof root.title === 'string' && root.title.trim() ? root.title : words.importedSet;
  const locale = typeof root.locale === 'string' ? root.locale : 'en-GB';
  if (result.ok) {
    const { document } = result;
    const { fields, classes } = document;
    return { document, faults: [], fields, title, locale: document.locale, classes };
  }
  const given = Array.isArray(root.fields) ? root.fields : [];
  const sound = soundIn(given, isObject(root.classes) ? root.classes : undefined, locale);
  const placeOf = placesIn(text);
  const faults = result.faults.map((fault) => told(fault, root, placeOf(fault.path)));
  return { document: null, faults, title, ...sound };
}

/** The fields that are valid themselves, with classes and locale if those are. */
function soundIn(given: readonly unknown[], classes: Json | undefined, locale: string) {
  const reads = (more: object) =>
    readDocument({ arbeit: 2, title: 'T', locale: 'en-GB', fields: [], ...more }, kinds);
  const own = classes && reads({ classes }).ok ? (classes as Record<string, string>) : undefined;
  const speaks = reads({ locale }).ok ? locale : 'en-GB';
  const taken = new Set<string>();
  const fields = given.flatMap((field) => {
    const result = reads({ locale: speaks, fields: [field], ...(own ? { classes: own } : {}) });
    const [one] = result.ok ? result.document.fields : [];
    if (!one || taken.has(one.id)) return [];
    taken.add(one.id);
    return [one];
  });
  return { fields, classes: own, locale: speaks };
}

function told(fault: DocumentFault, root: Json, place: Place): ImportFault {
  const line = fault.line ?? place.line;
  const column = fault.line === undefined ? place.column : (fault.column ?? 1);
  const hint = fault.suggestion === undefined ? '' : words.didYouMean(fault.suggestion);
  const { path } = fault;
  return { where: placeInWords(path, root), line, column, message: `${fault.message}${hint}`, path };
}

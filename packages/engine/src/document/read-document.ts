import type { CheckTable } from '../checks/contract.ts';
import { Cursor, list, nameOf, readId } from '../faults/cursor.ts';
import type { DocumentFault } from '../faults/document-fault.ts';
import { most, mostFaults } from '../faults/limits.ts';
import { say } from '../faults/say.ts';
import { documentTexts } from '../faults/texts.ts';
import { reservedNames } from '../field/field-name.ts';
import { attributeNames } from '../field/html.ts';
import { type Definition, type KindTable, kindIn } from '../kinds/contract/definition.ts';
import { builtIns, rangesOf } from '../kinds/editing/notation.ts';
import { mayBeLeftOut } from '../options/option.ts';
import { compileField } from './compile-field.ts';
import type { FieldDocument, SetDocument } from './document.ts';
import { problemWithIcon } from './icon.ts';
import { charactersIn, definitionFor, readEntry } from './read-entry.ts';
import { readReferences } from './read-references.ts';
import { readCondition, readFormRules, readMessage, readRules } from './read-rules.ts';
import { readTrials } from './read-trials.ts';
import { documentVersion, migrated, readableVersions } from './versions.ts';

/** The result of reading: the document, or all its faults with their places. */
export type DocumentResult =
  | { readonly ok: true; readonly document: SetDocument }
  | { readonly ok: false; readonly faults: readonly DocumentFault[] };

/**
 * Deepest nesting of objects and lists in a document. Deeper input is refused before anything recurses into
 * it.
 *
 * @example
 * isDeeper({}, mostDeep); // false
 */
export const mostDeep = 200;

/**
 * Whether objects and lists are nested at least `most` deep.
 *
 * @example
 * isDeeper([[[]]], 3); // true
 */
export function isDeeper(json: unknown, most: number): boolean {
  let level = [json];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth >= most) return true;
    const next: unknown[] = [];
    for (const value of level)
      if (typeof value === 'object' && value !== null)
        for (const inner of Object.values(value))
          if (typeof inner === 'object' && inner !== null) next.push(inner);
    level = next;
  }
  return false;
}

/** Largest number of steps of a path that a message shows. */
const mostFollowed = 3;

/** The beginning of the path to the part that is nested too deeply. */
function deepIn(json: unknown, path = '$', depth = 0): string {
  if (depth === mostFollowed || typeof json !== 'object' || json === null) return path;
  const [key, inner] = Object.entries(json).find(([, value]) => isDeeper(value, mostDeep - depth)) ?? [];
  if (key === undefined) return path;
  return deepIn(inner, Array.isArray(json) ? `${path}[${key}]` : `${path}.${key}`, depth + 1);
}

/** Options for reading a document. */
export interface ReadOptions {
  /**
   * Parses custom code and returns its first problem (line and column 1-based), or `undefined`. Without it,
   * custom code is accepted as any text, as while somebody is writing it.
   */
  readonly parseCode?: (
    code: string,
  ) => { readonly message: string; readonly line: number; readonly column: number } | undefined;
  /**
   * Fields that were valid before, with the character classes they were read with: they are not read again.
   * For callers that read a document after each change and never mutate it.
   */
  readonly known?: WeakMap<object, unknown>;
  /** Checks that do not come with this package. */
  readonly checks?: CheckTable;
}

/** Reports custom code that is not a module: it would not load in a hand-off. */
function readCode(
  { fields, forms = [] }: SetDocument,
  faults: DocumentFault[],
  kinds: KindTable,
  parseCode: NonNullable<ReadOptions['parseCode']>,
): void {
  const look = (code: unknown, path: string): void => {
    const fault = typeof code === 'string' ? parseCode(code) : undefined;
    if (!fault) return;
    const { line, column, message } = fault;
    faults.push({
      path,
      ...say(documentTexts, 'code-syntax', { line, column, message }),
    });
  };
  const rules = (all: SetDocument['fields'][number]['rules'], path: string): void => {
    for (const [i, { check }] of (all ?? []).entries())
      if (check.type === 'custom') look(check.code, `${path}.rules[${i}].check.code`);
  };
  for (const [i, field] of fields.entries()) {
    rules(field.rules, `$.fields[${i}]`);
    for (const [name, option] of Object.entries(kindIn(kinds, field.kind).define.options))
      if ('isCode' in option && option.isCode)
        look((field.entry as Readonly<Record<string, unknown>>)[name], `$.fields[${i}].entry.${name}`);
  }
  for (const [i, form] of forms.entries()) rules(form.rules, `$.forms[${i}]`);
}

/**
 * Checks a document and reports every fault with its JSON path, the first fifty in full. Nothing is
 * half-loaded: the document is accepted whole or refused. It is returned as it was, with two exceptions: a
 * field without `entry` gets an empty one, and a document of an older version is returned in the current
 * version.
 *
 * @example
 * const read = readDocument(JSON.parse('{ "arbeit": 2 }'), kinds);
 * if (!read.ok) for (const { path, message } of read.faults) console.error(path, message);
 */
export function readDocument(
  json: unknown,
  kinds: KindTable,
  { parseCode, known, checks = {} }: ReadOptions = {},
): DocumentResult {
  const faults: DocumentFault[] = [];
  if (isDeeper(json, mostDeep + 1)) {
    return {
      ok: false,
      faults: [{ path: deepIn(json), ...say(documentTexts, 'too-deep', { most: mostDeep }) }],
    };
  }
  const current = migrated(json);
  readSet(new Cursor(current, '$', faults), kinds, { known, checks });
  if (faults.length === 0) {
    const document = withEntries(current as SetDocument);
    readInitials(document, faults, kinds, checks);
    if (parseCode) readCode(document, faults, kinds, parseCode);
    if (faults.length === 0) return { ok: true, document };
  }
  return { ok: false, faults: capped(faults) };
}

/**
 * The first fifty faults, then one that says how many more there are.
 *
 * @example
 * const faults = capped([{ path: '$.title', code: 'blank', message: 'Expected a non-empty string.' }]);
 */
export function capped(faults: readonly DocumentFault[]): readonly DocumentFault[] {
  const more = faults.length - mostFaults;
  if (more <= 0) return faults;
  return [
    ...faults.slice(0, mostFaults),
    {
      path: '$',
      ...(more === 1
        ? say(documentTexts, 'more-errors/one')
        : say(documentTexts, 'more-errors', { count: more })),
    },
  ];
}

/**
 * A valid document with an empty `entry` for each field that has none.
 *
 * @example
 * const complete = withEntries(set);
 */
export function withEntries(document: SetDocument): SetDocument {
  if (document.fields.every((field) => field.entry !== undefined)) return document;
  return {
    ...document,
    fields: document.fields.map((field) => ({ ...field, entry: field.entry ?? {} }) as FieldDocument),
  };
}

/** Reports initial values that their fields cannot take. Only called for fields that are valid otherwise. */
function readInitials(
  document: SetDocument,
  faults: DocumentFault[],
  kinds: KindTable,
  checks: CheckTable,
): void {
  for (const [i, field] of document.fields.entries()) {
    if (!field.initial) continue;
    const { plan, kind } = compileField(field, document, kinds, undefined, checks);
    const { leftOut, rejected, body } = kind.parse(plan, field.initial);
    const raw = kind.raw(plan, body);
    if (leftOut || rejected || !raw) {
      faults.push({
        path: `$.fields[${i}].initial`,
        ...(leftOut
          ? say(documentTexts, 'invalid-initial/part', { part: JSON.stringify(leftOut) })
          : say(documentTexts, 'invalid-initial')),
        ...(raw ? { suggestion: raw } : {}),
      });
    }
  }
}

function readSet(
  at: Cursor,
  kinds: KindTable,
  { known, checks }: { readonly known: ReadOptions['known'] | undefined; readonly checks: CheckTable },
): void {
  if (
    !at.object(
      ['arbeit', 'title', 'locale', 'language', 'classes', 'fields', 'forms', 'trials', 'texts'],
      ['arbeit', 'title', 'locale', 'fields'],
    )
  )
    return;
  if (at.has('arbeit') && at.get('arbeit').value !== documentVersion) {
    const found = nameOf(at.get('arbeit').value);
    const said = say(documentTexts, 'unknown-version', { found, known: readableVersions.join(' or ') });
    at.get('arbeit').fault(said, { suggestion: String(documentVersion) });
  }
  if (at.has('title')) at.get('title').filled();
  if (at.has('locale')) readLocale(at.get('locale'));
  if (at.has('language')) readLocale(at.get('language'));
  const classes = at.has('classes') ? readClasses(at.get('classes')) : [];
  const fields: Fields = at.has('fields')
    ? readFields(at.get('fields'), { classes, kinds, known, checks, of: at.get('classes').value })
    : new Map();
  if (at.has('forms')) readForms(at.get('forms'), fields, checks);
  if (at.has('trials')) readTrials(at.get('trials'));
  if (at.has('texts')) readTexts(at.get('texts'));
  if (at.faults.length === 0) readReferences(at, kinds);
}

/** Reads texts in other languages. A key that nothing in the set has is no fault: the catalogue shows it. */
function readTexts(at: Cursor): void {
  if (!isObject(at, 'texts by language')) return;
  const languages = Object.keys(at.value as object);
  if (languages.length > most.languages)
    at.fault(say(documentTexts, 'too-many', { most: most.languages, what: 'languages' }));
  for (const language of languages.slice(0, most.languages)) {
    const own = at.get(language);
    readLocale(new Cursor(language, own.path, own.faults));
    if (!isObject(own, 'texts by name')) continue;
    const keys = Object.keys(own.value as object);
    if (keys.length > most.texts)
      own.fault(say(documentTexts, 'too-many', { most: most.texts, what: 'texts' }));
    for (const key of keys.slice(0, most.texts)) {
      const text = own.get(key);
      if (!/^(?:fields|forms)\/[\w-]+\/[\w-]+(?:\/.+)?$/.test(key))
        text.fault(say(documentTexts, 'invalid-text-name'));
      readMessage(text, undefined, undefined);
    }
  }
}

function isObject(at: Cursor, what: string): boolean {
  const isOne = typeof at.value === 'object' && at.value !== null && !Array.isArray(at.value);
  if (!isOne) at.fault(say(documentTexts, 'not-object-of', { what, found: nameOf(at.value) }));
  return isOne;
}

/** Checks the form of a language tag (BCP 47). */
function readLocale(at: Cursor): void {
  const tag = at.string();
  if (tag !== undefined && !/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/i.test(tag))
    at.fault(say(documentTexts, 'invalid-language', { tag }), { suggestion: 'en-GB' });
  else if (tag !== undefined && !isLocale(tag))
    at.fault(say(documentTexts, 'invalid-language', { tag }), { suggestion: 'en-GB' });
  else if (tag !== undefined && Intl.NumberFormat.supportedLocalesOf(tag).length === 0)
    at.fault(say(documentTexts, 'unknown-language', { tag }), { suggestion: 'en-GB' });
}

function isLocale(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

function readClasses(at: Cursor): string[] {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.fault(
      say(documentTexts, 'not-object-of', { what: 'character classes by name', found: nameOf(at.value) }),
    );
    return [];
  }
  const names = Object.keys(at.value);
  if (names.length > most.classes) {
    at.fault(say(documentTexts, 'too-many', { most: most.classes, what: 'classes' }));
    return [];
  }
  for (const name of names) {
    const spot = at.get(name);
    if (!/^[a-z][\w-]*$/i.test(name)) spot.fault(say(documentTexts, 'invalid-class-name'));
    else if (['upper', 'lower', ...builtIns].includes(name))
      spot.fault(say(documentTexts, 'reserved-class-name', { name }));
    const characters = spot.string();
    const wrong = characters === undefined ? undefined : rangesOf(characters);
    if (wrong && 'message' in wrong) spot.fault(wrong);
  }
  return names;
}

const fieldKeys = [
  'id',
  'name',
  'kind',
  'label',
  'hint',
  'placeholder',
  'locale',
  'language',
  'initial',
  'messages',
  'entry',
  'html',
  'look',
  'rules',
  'sameValueAs',
  'when',
];

/** Fields of a document that may be broken, by id, each with its kind if that is known. */
type Fields = ReadonlyMap<string, Definition | undefined>;

/** What fields are read with. */
interface ReadWith {
  readonly known: ReadOptions['known'] | undefined;
  readonly classes: readonly string[];
  /** The classes as they are in the document. */
  readonly of: unknown;
  readonly kinds: KindTable;
  readonly checks: CheckTable;
}

function readFields(at: Cursor, { classes, of, kinds, known, checks }: ReadWith): Fields {
  const ids = new Set<string>();
  const characters = charactersIn(of);
  const fields = new Map<string, Definition | undefined>();
  for (const field of at.items()) {
    const named = (field.value as { kind?: unknown } | null)?.kind;
    const kind = definitionFor(field.value, named, kinds);
    const needed = kind !== undefined && !mayBeLeftOut(kind.options);
    const before = at.faults.length;
    if (known?.has(field.value as object) && known.get(field.value as object) === of) {
      const { id } = field.value as { id: string };
      fields.set(id, kind);
      readId(field.get('id'), ids);
      continue;
    }
    if (!field.object(fieldKeys, ['id', 'kind', 'label', ...(needed ? ['entry'] : [])])) continue;
    const { id } = field.value as { id?: unknown };
    if (typeof id === 'string' && !ids.has(id)) fields.set(id, kind);
    if (field.has('id')) readId(field.get('id'), ids);
    if (field.has('name')) readName(field.get('name'));
    if (field.has('kind')) field.get('kind').oneOf(Object.keys(kinds));
    if (field.has('label')) field.get('label').filled();
    for (const key of ['hint', 'placeholder', 'initial']) if (field.has(key)) field.get(key).string();
    if (field.has('locale')) readLocale(field.get('locale'));
    if (field.has('language')) readLocale(field.get('language'));
    if (field.has('messages')) field.get('messages').oneOf(['first', 'all']);
    if (field.has('entry') && kind) readEntry(field.get('entry'), kind, String(named), classes, characters);
    if (field.has('html')) readHtml(field.get('html'));
    if (field.has('look')) readLook(field.get('look'));
    if (field.has('rules')) readRules(field.get('rules'), kind, checks);
    if (field.has('sameValueAs')) field.get('sameValueAs').filled();
    if (field.has('when')) readCondition(field.get('when'));
    if (at.faults.length === before) known?.set(field.value as object, of);
  }
  return fields;
}

function readName(at: Cursor): void {
  const name = at.filled(most.id);
  if (name !== undefined && new RegExp(reservedNames, 'u').test(name))
    at.fault(say(documentTexts, 'reserved-field-name', { name }));
}

function readHtml(at: Cursor): void {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.fault(say(documentTexts, 'not-object-of', { what: 'HTML attributes', found: nameOf(at.value) }));
    return;
  }
  for (const [name, value] of Object.entries(at.value)) {
    const spot = at.get(name);
    if (!attributeNames.includes(name))
      spot.fault(say(documentTexts, 'unknown-attribute', { name, known: list(attributeNames) }), {
        suggestion: spot.meant(name, attributeNames),
      });
    else if (typeof value === 'string') spot.string();
    else if (typeof value !== 'boolean') spot.fault(say(documentTexts, 'invalid-attribute'));
  }
}

/** Longest prefix or suffix, in characters: they have to fit into the frame of a field. */
const longestSign = 20;

function readLook(at: Cursor): void {
  if (!at.object(['label', 'size', 'before', 'behind', 'width', 'icon'], [])) return;
  at.choice('label', ['above', 'beside', 'inside']);
  at.choice('size', ['small', 'medium', 'large']);
  for (const key of ['before', 'behind']) {
    const text = at.has(key) ? at.get(key).filled() : undefined;
    if (text !== undefined && (text.length > longestSign || /[\n\r]/.test(text)))
      at.get(key).fault(say(documentTexts, 'invalid-affix', { most: longestSign }));
  }
  if (at.has('width')) at.get('width').wholeFrom(1, 80);
  const icon = at.has('icon') ? at.get('icon').string() : undefined;
  const problem = icon === undefined ? undefined : problemWithIcon(icon);
  if (problem) at.get('icon').fault(problem);
}

const formKeys = ['id', 'title', 'fields', 'sections', 'submit', 'completes', 'unanswered', 'rules'];

function readForms(at: Cursor, fields: Fields, checks: CheckTable): void {
  const ids = new Set<string>();
  for (const form of at.items()) {
    if (!form.object(formKeys, ['id'])) continue;
    if (form.has('id')) readId(form.get('id'), ids);
    if (form.has('title')) form.get('title').string();
    form.choice('submit', ['when-ready', 'always']);
    form.choice('unanswered', ['hold', 'let-through']);
    if (form.has('rules')) readFormRules(form.get('rules'), fields, checks);
    if (form.has('fields') === form.has('sections')) form.fault(say(documentTexts, 'fields-or-sections'));
    const seen = new Set<string>();
    if (form.has('fields')) readPlaces(form.get('fields'), fields, seen);
    for (const section of form.has('sections') ? form.get('sections').items() : []) {
      if (!section.object(['title', 'columns', 'fields'], ['fields'])) continue;
      if (section.has('title')) section.get('title').string();
      if (section.has('columns')) section.get('columns').wholeFrom(1, 2);
      if (section.has('fields')) readPlaces(section.get('fields'), fields, seen);
    }
    if (form.has('completes')) {
      const completes = form.get('completes').string();
      if (completes !== undefined && !seen.has(completes))
        form.get('completes').fault(say(documentTexts, 'field-not-in-form', { id: completes }), {
          suggestion: form.meant(completes, seen),
        });
    }
  }
}

/** Reads the fields of a form or section and adds their ids to `seen`. */
function readPlaces(at: Cursor, fields: Fields, seen: Set<string>): void {
  for (const field of at.items()) {
    const id = field.string();
    if (id === undefined) continue;
    if (seen.has(id)) field.fault(say(documentTexts, 'field-twice', { id }));
    else if (!fields.has(id))
      field.fault(say(documentTexts, 'unknown-field', { id }), {
        suggestion: field.meant(id, fields.keys()),
      });
    seen.add(id);
  }
}

import type { DocumentFault, KindName, SetDocument } from './document.ts';
import { nearest } from './fault.ts';
import { builtIns, rangesOf } from './notation.ts';
import { entryReaders, kindNames } from './read-entry.ts';
import { readRules } from './read-rules.ts';
import { nameOf, readId, Spot } from './spot.ts';

export type DocumentResult =
  | { readonly ok: true; readonly document: SetDocument }
  | { readonly ok: false; readonly faults: readonly DocumentFault[] };

/** Reads the text of a document. JSON that does not parse is one fault with line and column. */
export function readDocumentText(text: string): DocumentResult {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return { ok: false, faults: [syntaxFault(text, error)] };
  }
  return readDocument(json);
}

function syntaxFault(text: string, error: unknown): DocumentFault {
  const said = error instanceof Error ? error.message : String(error);
  const position = /position (\d+)/.exec(said);
  const at = position ? +position[1]! : /end of|Unterminated/.test(said) ? text.length : 0;
  const lines = text.slice(0, at).split('\n');
  return {
    path: '$',
    line: lines.length,
    column: lines.at(-1)!.length + 1,
    message: 'This is not JSON: look for a missing comma, quote or bracket just before this place.',
  };
}

/** Checks a document, reporting every fault with its JSON path. Nothing is half-loaded: it is whole or refused. */
export function readDocument(json: unknown): DocumentResult {
  const faults: DocumentFault[] = [];
  const at = new Spot(json, '$', faults);
  readSet(at);
  return faults.length ? { ok: false, faults } : { ok: true, document: json as SetDocument };
}

function readSet(at: Spot): void {
  if (
    !at.object(
      ['arbeit', 'title', 'locale', 'classes', 'fields', 'forms'],
      ['arbeit', 'title', 'locale', 'fields'],
    )
  )
    return;
  if (at.has('arbeit') && at.get('arbeit').value !== 1) {
    const found = nameOf(at.get('arbeit').value);
    at.get('arbeit').fault(`This reads version 1 of the document, found ${found}.`, { suggestion: '1' });
  }
  if (at.has('title')) at.get('title').filled();
  if (at.has('locale')) readLocale(at.get('locale'));
  const classes = at.has('classes') ? readClasses(at.get('classes')) : [];
  const ids = at.has('fields') ? readFields(at.get('fields'), classes) : [];
  if (at.has('forms')) readForms(at.get('forms'), ids);
}

/** A BCP 47 tag, by form. */
function readLocale(at: Spot): void {
  const tag = at.string();
  if (tag !== undefined && !/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/i.test(tag))
    at.fault(`"${tag}" is no language tag (BCP 47).`, { suggestion: 'en-GB' });
  else if (tag !== undefined && !isLocale(tag))
    at.fault(`"${tag}" is not well-formed as a language tag (BCP 47).`, { suggestion: 'en-GB' });
}

function isLocale(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

function readClasses(at: Spot): string[] {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.fault(`Expected an object of named classes, found ${nameOf(at.value)}.`);
    return [];
  }
  const names = Object.keys(at.value);
  for (const name of names) {
    const spot = at.get(name);
    if (!/^[a-z][\w-]*$/i.test(name))
      spot.fault('A class name starts with a letter and has letters, digits, "-" and "_".');
    else if (['upper', 'lower', ...builtIns].includes(name))
      spot.fault(`"${name}" is taken by the notation itself: choose another name.`);
    const characters = spot.string();
    const wrong = characters === undefined ? undefined : rangesOf(characters);
    if (typeof wrong === 'string') spot.fault(wrong);
  }
  return names;
}

const fieldKeys = [
  'id',
  'kind',
  'label',
  'hint',
  'placeholder',
  'locale',
  'initial',
  'messages',
  'entry',
  'html',
  'rules',
];

function readFields(at: Spot, classes: readonly string[]): string[] {
  const ids: string[] = [];
  for (const field of at.items()) {
    if (!field.object(fieldKeys, ['id', 'kind', 'label', 'entry'])) continue;
    if (field.has('id')) readId(field.get('id'), ids);
    const kind = field.has('kind') ? field.get('kind').oneOf(kindNames) : undefined;
    for (const key of ['label', 'hint', 'placeholder', 'initial'])
      if (field.has(key)) field.get(key).string();
    if (field.has('locale')) readLocale(field.get('locale'));
    if (field.has('messages')) field.get('messages').oneOf(['first', 'all']);
    if (field.has('entry') && kind) entryReaders[kind as KindName](field.get('entry'), classes);
    if (field.has('html')) readHtml(field.get('html'));
    if (field.has('rules')) readRules(field.get('rules'), kind as KindName | undefined);
  }
  return ids;
}
function readHtml(at: Spot): void {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.fault(`Expected an object of HTML attributes, found ${nameOf(at.value)}.`);
    return;
  }
  for (const [name, value] of Object.entries(at.value)) {
    const spot = at.get(name);
    if (!/^[a-z][a-z-]*$/.test(name)) spot.fault('An HTML attribute has small letters and "-" in its name.');
    else if (/^on|^(value|type|style|id|class)$/.test(name))
      spot.fault(`"${name}" belongs to the page, not to the definition: leave it out.`);
    if (typeof value !== 'string' && typeof value !== 'boolean')
      spot.fault('Expected a text, or true for an attribute without a value.');
  }
}

function readForms(at: Spot, fieldIds: readonly string[]): void {
  const ids: string[] = [];
  for (const form of at.items()) {
    if (!form.object(['id', 'title', 'fields', 'rules'], ['id', 'fields'])) continue;
    if (form.has('id')) readId(form.get('id'), ids);
    if (form.has('title')) form.get('title').string();
    if (form.has('rules') && form.get('rules').items().length > 0)
      form.get('rules').fault('Rules across fields are not to be had yet: leave the list empty.');
    const seen: string[] = [];
    for (const field of form.has('fields') ? form.get('fields').items() : []) {
      const id = field.string();
      if (id === undefined) continue;
      if (!fieldIds.includes(id))
        field.fault(`No field has the id "${id}".`, { suggestion: nearest(id, fieldIds) });
      else if (seen.includes(id)) field.fault(`The field "${id}" is in this form twice.`);
      seen.push(id);
    }
  }
}

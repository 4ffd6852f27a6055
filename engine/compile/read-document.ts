import { resolve } from '../run/calendar.ts';
import { canonical } from '../run/decimal.ts';
import { graphemes } from '../run/graphemes.ts';
import type { DocumentFault, KindName, SetDocument } from './document.ts';
import { parseExpression } from './expression.ts';
import { nearest } from './fault.ts';
import { builtIns, parseNotation, rangesOf } from './notation.ts';
import { isCurrency } from './number.ts';
import { isRegion } from './phone.ts';

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

/** A place in the document under check. Each reader below reports through it and never throws. */
class Spot {
  constructor(
    readonly value: unknown,
    readonly path: string,
    readonly faults: DocumentFault[],
  ) {}

  fault(message: string, more: { suggestion?: string | undefined; column?: number } = {}): void {
    const { suggestion, column } = more;
    this.faults.push({
      path: this.path,
      message,
      ...(suggestion === undefined ? {} : { suggestion }),
      ...(column === undefined ? {} : { column }),
    });
  }

  get(key: string): Spot {
    return new Spot((this.value as Record<string, unknown>)[key], pathTo(this.path, key), this.faults);
  }

  has(key: string): boolean {
    return (this.value as Record<string, unknown>)[key] !== undefined;
  }

  /** An object with no names but the known ones and all the needed ones. */
  object(known: readonly string[], needed: readonly string[]): boolean {
    if (typeof this.value !== 'object' || this.value === null || Array.isArray(this.value)) {
      this.fault(`Expected an object, found ${nameOf(this.value)}.`);
      return false;
    }
    for (const key of Object.keys(this.value))
      if (!known.includes(key)) {
        const meant = nearest(key, known);
        new Spot(undefined, pathTo(this.path, key), this.faults).fault(
          `Nothing is known as "${key}" here: expected ${list(known)}.`,
          { suggestion: meant },
        );
      }
    for (const key of needed) if (!this.has(key)) this.get(key).fault(`"${key}" is missing.`);
    return true;
  }

  string(): string | undefined {
    if (typeof this.value === 'string') return this.value;
    this.fault(`Expected a text in quotes, found ${nameOf(this.value)}.`);
    return undefined;
  }

  filled(): string | undefined {
    const text = this.string();
    if (text?.trim() === '') this.fault('Expected a text that is not empty.');
    return text || undefined;
  }

  whole(): number | undefined {
    if (typeof this.value === 'number' && Number.isInteger(this.value) && this.value >= 0) return this.value;
    this.fault(`Expected a whole number from 0, found ${nameOf(this.value)}.`);
    return undefined;
  }

  wholeFrom(low: number, high: number): number | undefined {
    const { value } = this;
    if (typeof value === 'number' && Number.isInteger(value) && value >= low && value <= high) return value;
    this.fault(`Expected a whole number from ${low} to ${high}, found ${nameOf(value)}.`);
    return undefined;
  }

  /** The member of that name, where there is one, is true or false. */
  yesNo(key: string): void {
    if (this.has(key) && typeof this.get(key).value !== 'boolean')
      this.get(key).fault(`Expected true or false, found ${nameOf(this.get(key).value)}.`);
  }

  /** The member of that name, where there is one, is one of these. */
  choice(key: string, choices: readonly string[]): void {
    if (this.has(key)) this.get(key).oneOf(choices);
  }

  oneOf(choices: readonly string[]): string | undefined {
    if (typeof this.value === 'string' && choices.includes(this.value)) return this.value;
    const meant = typeof this.value === 'string' ? nearest(this.value, choices) : undefined;
    this.fault(`Expected ${list(choices)}, found ${nameOf(this.value)}.`, { suggestion: meant });
    return undefined;
  }

  items(): Spot[] {
    if (Array.isArray(this.value))
      return this.value.map((item, i) => new Spot(item, `${this.path}[${i}]`, this.faults));
    this.fault(`Expected a list, found ${nameOf(this.value)}.`);
    return [];
  }
}

const pathTo = (path: string, key: string): string =>
  /^[A-Za-z_]\w*$/.test(key) ? `${path}.${key}` : `${path}[${JSON.stringify(key)}]`;

function list(words: readonly string[]): string {
  const quoted = words.map((word) => `"${word}"`);
  return quoted.length < 2 ? quoted.join('') : `${quoted.slice(0, -1).join(', ')} or ${quoted.at(-1)}`;
}

function nameOf(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (value === null) return 'null';
  if (Array.isArray(value)) return 'a list';
  if (typeof value === 'object') return 'an object';
  if (typeof value === 'string') return value.length > 40 ? 'a long text' : JSON.stringify(value);
  return String(value);
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

function readId(at: Spot, taken: string[]): void {
  const id = at.string();
  if (id === undefined) return;
  if (!/^[A-Za-z][\w-]*$/.test(id))
    at.fault('An id starts with a letter and has letters, digits, "-" and "_".');
  else if (taken.includes(id)) at.fault(`The id "${id}" is used twice.`, { suggestion: `${id}-2` });
  taken.push(id);
}

function readPattern(at: Spot, classes: readonly string[]): void {
  if (!at.object(['pattern', 'positions', 'literals', 'filler', 'raw', 'ghost'], ['pattern'])) return;
  if (at.has('positions')) at.get('positions').oneOf(['flow', 'fixed']);
  if (at.has('literals')) at.get('literals').oneOf(['behind', 'ahead']);
  if (at.has('raw')) at.get('raw').oneOf(['content', 'text']);
  if (at.has('ghost') && typeof at.get('ghost').value !== 'boolean')
    at.get('ghost').fault('Expected true or false.');
  if (at.has('filler')) {
    const filler = at.get('filler').string();
    if (filler !== undefined && (graphemes(filler).length !== 1 || /[\p{L}\p{N}\s]/u.test(filler)))
      at.get('filler').fault('The filler is one sign that is neither letter, digit nor space.', {
        suggestion: '_',
      });
  }
  if (!at.has('pattern')) return;
  const spot = at.get('pattern');
  const text = spot.string();
  for (const { message, column, suggestion } of text === undefined ? [] : parseNotation(text, classes).faults)
    spot.fault(message, { column, suggestion });
}

function readText(at: Spot): void {
  if (!at.object(['trim', 'collapse', 'case', 'max'], [])) return;
  at.yesNo('trim');
  at.yesNo('collapse');
  at.choice('case', ['as-typed', 'upper', 'lower']);
  if (at.has('max')) at.get('max').wholeFrom(1, 10_000);
}

function readNumber(at: Spot, kind: 'number' | 'currency' | 'percent'): void {
  const own = { number: ['unit'], currency: ['currency', 'sign'], percent: [] }[kind];
  const all = [...own, 'fill', 'grouping', 'pad', 'negative', 'decimals'];
  if (!at.object(all, kind === 'currency' ? ['currency'] : [])) return;
  at.choice('sign', ['symbol', 'code', 'none']);
  at.choice('fill', ['left', 'right']);
  at.choice('grouping', ['typing', 'leave', 'never']);
  at.choice('negative', ['no', 'minus', 'parentheses']);
  at.yesNo('pad');
  if (at.has('unit')) {
    const unit = at.get('unit').filled();
    if (unit !== undefined && /[\d<>]/.test(unit))
      at.get('unit').fault('A unit has no digits and no "<" or ">".');
  }
  if (at.has('currency')) {
    const code = at.get('currency').string();
    if (code !== undefined && !isCurrency(code))
      at.get('currency').fault(`"${code}" is no currency code (ISO 4217).`, {
        suggestion: isCurrency(code.toUpperCase()) ? code.toUpperCase() : 'EUR',
      });
  }
  if (!at.has('decimals')) return;
  const decimals = at.get('decimals');
  if (!decimals.object(['min', 'max'], [])) return;
  for (const key of ['min', 'max']) if (decimals.has(key)) decimals.get(key).wholeFrom(0, 100);
  const { min = 0, max } = decimals.value as { min?: number; max?: number };
  if (max !== undefined && max < min)
    decimals.get('max').fault(`"max" is below "min" (${min}).`, { suggestion: String(min) });
}

function readDate(at: Spot): void {
  if (!at.object(['order', 'separator', 'resting', 'pivot'], [])) return;
  at.choice('order', ['locale', 'dmy', 'mdy', 'ymd']);
  at.choice('resting', ['same', 'medium', 'long', 'full']);
  if (at.has('pivot')) at.get('pivot').wholeFrom(0, 100);
  if (!at.has('separator')) return;
  const separator = at.get('separator').string();
  if (
    separator !== undefined &&
    (separator === '' || separator.length > 3 || /[\p{L}\p{N}]/u.test(separator))
  )
    at.get('separator').fault('A separator is one to three signs, no letters or digits.', {
      suggestion: '/',
    });
}

function readTime(at: Spot): void {
  if (!at.object(['clock', 'seconds'], [])) return;
  const clock = at.has('clock') ? at.get('clock') : undefined;
  if (clock && clock.value !== 12 && clock.value !== 24)
    clock.fault(`Expected 12 or 24, found ${nameOf(clock.value)}.`, { suggestion: '24' });
  at.yesNo('seconds');
}

function readDuration(at: Spot): void {
  if (!at.object(['units'], []) || !at.has('units')) return;
  const units = at.get('units').items();
  for (const unit of units) unit.oneOf(['h', 'min']);
  const given = units.map(({ value }) => value).join();
  if (Array.isArray(at.get('units').value) && !['h', 'min', 'h,min'].includes(given))
    at.get('units').fault('Expected ["h"], ["min"] or ["h", "min"].', { suggestion: '["h", "min"]' });
}

function readPhone(at: Spot): void {
  if (!at.object(['home', 'regions', 'style', 'types', 'extension'], ['home'])) return;
  const region = (spot: Spot): void => {
    const code = spot.string();
    if (code !== undefined && !isRegion(code))
      spot.fault(`"${code}" is no region with a calling code (ISO 3166-1, two capital letters).`, {
        suggestion: isRegion(code.toUpperCase()) ? code.toUpperCase() : 'GB',
      });
  };
  if (at.has('home')) region(at.get('home'));
  if (at.has('regions') && at.get('regions').value !== 'any') {
    const regions = at.get('regions').items();
    for (const item of regions) region(item);
    if (Array.isArray(at.get('regions').value) && regions.length === 0)
      at.get('regions').fault('Expected at least one region, or "any".', { suggestion: 'any' });
  }
  at.choice('style', ['national', 'international']);
  if (at.has('types')) for (const type of at.get('types').items()) type.oneOf(['mobile', 'fixed']);
  at.yesNo('extension');
}

function readBoxes(at: Spot, kind: 'pin' | 'one-time-code'): void {
  if (!at.object(['length', 'accept', kind === 'pin' ? 'conceal' : 'groups'], [])) return;
  at.choice('accept', ['digit', 'alnum']);
  at.yesNo('conceal');
  const length = at.has('length') ? at.get('length').wholeFrom(3, 12) : kind === 'pin' ? 4 : 6;
  if (!at.has('groups')) return;
  const groups = at.get('groups').items();
  const sizes = groups.map((group) => group.wholeFrom(1, 12) ?? 0);
  const sum = sizes.reduce((total, size) => total + size, 0);
  if (sizes.every(Boolean) && length !== undefined && sum !== length)
    at.get('groups').fault(`The groups hold ${sum} boxes, the code has ${length}.`, {
      suggestion: `[${length}]`,
    });
}

const entryReaders: Readonly<Record<KindName, (at: Spot, classes: readonly string[]) => void>> = {
  pattern: readPattern,
  text: readText,
  number: (at) => readNumber(at, 'number'),
  currency: (at) => readNumber(at, 'currency'),
  percent: (at) => readNumber(at, 'percent'),
  date: readDate,
  time: readTime,
  duration: readDuration,
  phone: readPhone,
  pin: (at) => readBoxes(at, 'pin'),
  'one-time-code': (at) => readBoxes(at, 'one-time-code'),
};
const kindNames = Object.keys(entryReaders);

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

const checks = {
  required: [[], []],
  complete: [[], []],
  length: [['min', 'max'], []],
  matches: [['pattern', 'flags'], ['pattern']],
  in: [['values'], ['values']],
  'not-in': [['values'], ['values']],
  checksum: [['scheme'], ['scheme']],
  range: [['min', 'max', 'step'], []],
  'not-trivial': [[], []],
} as const;

function readRules(at: Spot, kind: KindName | undefined): void {
  const ids: string[] = [];
  for (const rule of at.items()) {
    if (!rule.object(['id', 'check', 'say', 'code', 'show', 'severity'], ['id', 'check'])) continue;
    if (rule.has('id')) readId(rule.get('id'), ids);
    if (rule.has('say')) rule.get('say').filled();
    if (rule.has('code') && !/^[a-z][\w-]*$/i.test(rule.get('code').string() ?? 'x'))
      rule.get('code').fault('A code is one word of letters, digits, "-" and "_".');
    if (rule.has('show')) rule.get('show').oneOf(['at-once', 'leave', 'submit']);
    if (rule.has('severity')) rule.get('severity').oneOf(['error', 'warning']);
    if (rule.has('check')) readCheck(rule.get('check'), kind);
  }
}

function readCheck(at: Spot, kind: KindName | undefined): void {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.object([], []);
    return;
  }
  if (!at.has('type')) {
    at.get('type').fault('"type" is missing.');
    return;
  }
  const type = at.get('type').oneOf(Object.keys(checks)) as keyof typeof checks | undefined;
  if (!type) return;
  const [known, needed] = checks[type];
  at.object(['type', ...known], needed);
  if (type === 'range') readRange(at, kind);
  if (type === 'length') {
    if (at.has('min')) at.get('min').whole();
    if (at.has('max')) at.get('max').whole();
    readLength(at);
  }
  if (at.has('scheme') && type === 'checksum') at.get('scheme').oneOf(['luhn', 'mod97', 'mod11']);
  if (at.has('values') && (type === 'in' || type === 'not-in')) {
    const values = at.get('values').items();
    for (const value of values) value.string();
    if (Array.isArray(at.get('values').value) && values.length === 0)
      at.get('values').fault('Expected at least one value.');
  }
  if (type === 'matches') readMatches(at);
}

function readLength(at: Spot): void {
  const { min, max } = at.value as { min?: unknown; max?: unknown };
  if (min === undefined && max === undefined) at.fault('A length needs "min", "max" or both.');
  if (typeof min === 'number' && typeof max === 'number' && max < min)
    at.get('max').fault(`"max" is below "min" (${min}).`, { suggestion: String(min) });
}

/** What a limit looks like for each kind that has an order, and an example of it. */
const limits: Readonly<
  Partial<Record<KindName, readonly [isGood: (text: string) => boolean, example: string]>>
> = {
  number: [isDecimal, '12.5'],
  currency: [isDecimal, '12.50'],
  percent: [isDecimal, '5'],
  duration: [(text) => /^\d{1,6}$/.test(text), '90'],
  time: [(text) => /^(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?$/.test(text), '16:30'],
  date: [(text) => resolve(text, '2027-02-10') !== undefined, 'today+18m'],
};

function isDecimal(text: string): boolean {
  return text.length <= 100 && canonical(text) !== '';
}

function readRange(at: Spot, kind: KindName | undefined): void {
  if (kind === undefined) return;
  const form = limits[kind];
  if (!form) {
    at.get('type').fault(`A ${kind} field has no order, so it has no range.`, { suggestion: 'length' });
    return;
  }
  const given = ['min', 'max', 'step'].filter((key) => at.has(key));
  if (given.length === 0) at.fault('A range needs "min", "max", "step" or some of them.');
  for (const key of given) {
    const spot = at.get(key);
    const { value } = spot;
    const text = typeof value === 'number' && Number.isFinite(value) ? String(value) : value;
    const hasStep = kind !== 'date' && kind !== 'time';
    if (key === 'step' && !hasStep) spot.fault(`A ${kind} field has no steps: leave it out.`);
    else if (
      typeof text !== 'string' ||
      !form[0](text) ||
      (key === 'step' && !/[1-9]/.test(text.replace('-', '')))
    )
      spot.fault(`Expected a ${kind} such as "${form[1]}", found ${nameOf(value)}.`, { suggestion: form[1] });
    else if (key === 'step' && text.startsWith('-'))
      spot.fault('A step is above zero.', { suggestion: text.slice(1) });
  }
}

function readMatches(at: Spot): void {
  const flags = at.has('flags') ? at.get('flags').string() : '';
  if (flags && !/^[isu]*$/.test(flags))
    at.get('flags').fault('The flags that count here are i, s and u.', { suggestion: 'i' });
  if (!at.has('pattern')) return;
  const source = at.get('pattern').string();
  if (source === undefined) return;
  const parsed = parseExpression(source, flags);
  if ('message' in parsed)
    at.get('pattern').fault(parsed.message, { column: parsed.column, suggestion: parsed.suggestion });
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

/** What is wrong with one check of a field of that kind, in sentences; for screens that edit one. */
export function problemWithCheck(kind: KindName, check: unknown): readonly string[] {
  const faults: DocumentFault[] = [];
  readCheck(new Spot(check, '$', faults), kind);
  return faults.map(({ message }) => message);
}

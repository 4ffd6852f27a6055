import type { ConditionDocument } from '@arbeit/engine/document';
import { type Said, say } from '@arbeit/engine/faults';
import type { Place } from '../document-text.ts';
import type { PatternReader } from './pattern-of.ts';
import { type Dropped, dropped } from './sanitize.ts';
import { importTexts } from './texts.ts';

export type Json = Readonly<Record<string, unknown>>;

export const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
export const text = (value: unknown): string => (typeof value === 'string' ? value : '');
export const count = (value: unknown): number | undefined =>
  typeof value === 'number' && Number.isFinite(value) ? value : undefined;
export const list = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);

/** When a field counts, or must be filled in. */
export interface Conditional {
  readonly id: string;
  readonly does: 'count' | 'need';
  readonly when: ConditionDocument;
  /** The schema that says so. */
  readonly at: Found;
}

/** What is known of a schema while its properties are read. */
export interface SchemaReading {
  readonly placeIn: (path: string) => Place;
  readonly root: Json;
  readonly lost: Dropped[];
  readonly taken: Set<string>;
  readonly patternOf: PatternReader;
  /** How many more schemas may be read: they can refer to each other very often. */
  readonly left: { schemas: number };
  /** Places already reported: a schema that many refer to is reported once. */
  readonly told: Set<string>;
  /** When fields count, or must be filled in: added to the set once it has all its fields. */
  readonly conditionals: Conditional[];
}

/** A schema's location: `path` of the schema itself, `said` the name of the property that refers to it. */
export interface Where {
  readonly path: string;
  readonly said: string;
}

export interface Found extends Where {
  readonly schema: Json;
}

/** The location of a schema inside another. */
export const within = (at: Where, schema: Json, ...names: readonly (string | number)[]): Found => ({
  schema,
  path: names.reduce<string>(below, at.path),
  said: names.reduce<string>(below, at.said),
});

/** The path of a member, for look-ups. */
const below = (path: string, name: string | number): string =>
  `${path}${typeof name === 'string' && /^[A-Za-z_]\w*$/.test(name) ? `.${name}` : `[${JSON.stringify(name)}]`}`;

/** A path for people, without the parts that every property's path has. */
const spoken = (path: string): string =>
  path
    .replace(/\["(\$\w+)"\]/g, '.$1')
    .replace(/^\$\.?(?:properties\.?)?/, '')
    .replaceAll(/\.properties(?=[.[])/g, '')
    .slice(0, 120);

/** Reports what is not imported: the schema there, or a keyword of it. */
export function drop(reading: SchemaReading, at: Where, said: Said, ...keyword: readonly string[]): void {
  const path = keyword.reduce<string>(below, at.path);
  const key = `${path} ${said.message}`;
  if (reading.told.has(key)) return;
  reading.told.add(key);
  reading.lost.push({
    where: spoken(keyword.reduce<string>(below, at.said)) || 'the schema',
    ...dropped(said),
    place: reading.placeIn(path),
  });
}

/**
 * A schema merged with the schemas it consists of in the same document (`$ref`, `allOf`). A circle and a
 * reference to another document are reported and left out. `by` lists the references that led here.
 */
export function resolved(reading: SchemaReading, at: Found, by: readonly string[] = []): Found {
  if (--reading.left.schemas < 0) {
    if (reading.left.schemas === -1) drop(reading, at, say(importTexts, 'too-many-references'));
    return { ...at, schema: {} };
  }
  const { $ref, allOf, ...rest } = at.schema;
  let found: Found = { ...at, schema: rest };
  if (typeof $ref === 'string') {
    const target = referred(reading, at, $ref, by);
    if (target) {
      const there = resolved(reading, target, [...by, $ref]);
      // Keywords beside a reference have precedence over those of its target.
      found = { ...there, schema: merged(reading, there, there.schema, rest) };
    }
  }
  for (const [i, schema] of list(allOf).entries()) {
    if (!isObject(schema)) continue;
    const piece = conditionApart(resolved(reading, within(at, schema, 'allOf', i), by));
    found = { ...found, schema: merged(reading, piece, piece.schema, found.schema) };
  }
  return found;
}

/** A piece whose condition is one of several, each with its location: a schema has one `if` of its own. */
function conditionApart(piece: Found): Found {
  const { if: test, then: does, else: others, ...rest } = piece.schema;
  if (test === undefined) return piece;
  // biome-ignore lint/suspicious/noThenProperty: a keyword of JSON Schema
  const condition = { ...piece, schema: { if: test, then: does, else: others } };
  return { ...piece, schema: { ...rest, $conditions: [...list(rest.$conditions), condition] } };
}

function referred(reading: SchemaReading, at: Found, $ref: string, by: readonly string[]): Found | undefined {
  const stop = (said: Said): undefined => {
    drop(reading, at, said, '$ref');
  };
  if (!$ref.startsWith('#')) return stop(say(importTexts, 'other-document'));
  if (by.includes($ref)) return stop(say(importTexts, 'reference-to-itself'));
  const keys = $ref.slice(1).split('/').filter(Boolean).map(named);
  let schema: unknown = reading.root;
  for (const key of keys)
    schema =
      isObject(schema) && Object.hasOwn(schema, key)
        ? schema[key]
        : Array.isArray(schema) && /^\d+$/.test(key)
          ? schema[Number(key)]
          : undefined;
  if (!isObject(schema)) return stop(say(importTexts, 'broken-reference'));
  const names = keys.map((key) => (/^\d+$/.test(key) ? Number(key) : key));
  return { ...within({ path: '$', said: '$' }, schema, ...names), said: at.said };
}

/** Decodes a name of a JSON Pointer in a URI (RFC 6901); an invalid one matches no name. */
function named(key: string): string {
  try {
    return decodeURIComponent(key).replaceAll('~1', '/').replaceAll('~0', '~');
  } catch {
    return key;
  }
}

/** Bounds of which the narrower one applies if two schemas have one. */
const narrower: Readonly<Record<string, (a: number, b: number) => number>> = {
  minimum: Math.max,
  exclusiveMinimum: Math.max,
  minLength: Math.max,
  minItems: Math.max,
  maximum: Math.min,
  exclusiveMaximum: Math.min,
  maxLength: Math.min,
  maxItems: Math.min,
};

/** Keywords that a field can have only once. */
const asked = ['type', 'const', 'pattern', 'format', 'multipleOf', 'items', 'not', 'anyOf', 'oneOf'];

/**
 * Merges two schemas that both apply. If both have a keyword, `over` has precedence unless both can be kept.
 * What is dropped is reported.
 */
function merged(reading: SchemaReading, at: Where, under: Json, over: Json): Json {
  const both = new Map<string, unknown>(Object.entries(under));
  for (const [name, value] of Object.entries(over)) {
    const before = both.get(name);
    const isOther = before !== undefined && JSON.stringify(before) !== JSON.stringify(value);
    if (isOther && asked.includes(name)) drop(reading, at, say(importTexts, 'other-part', { name }), name);
    both.set(name, ofBoth(name, before, value));
  }
  return Object.fromEntries(both);
}

function ofBoth(name: string, under: unknown, over: unknown): unknown {
  const narrow = Object.hasOwn(narrower, name) ? narrower[name] : undefined;
  if (narrow && typeof under === 'number' && typeof over === 'number') return narrow(under, over);
  if (name === 'required') return [...new Set([...list(under), ...list(over)])];
  if (name === '$conditions') return [...list(under), ...list(over)];
  if (name === 'enum' && Array.isArray(under) && Array.isArray(over))
    return under.filter((one) => over.includes(one));
  if (name === 'properties' && isObject(under) && isObject(over)) return propertiesOf(under, over);
  return over;
}

/** The properties of both schemas; for a property in both, both apply. */
function propertiesOf(under: Json, over: Json): Json {
  const entries = new Map(Object.entries(under));
  for (const [name, value] of Object.entries(over)) {
    const before = entries.get(name);
    entries.set(name, isObject(before) && isObject(value) ? { allOf: [value, before] } : value);
  }
  return Object.fromEntries(entries);
}

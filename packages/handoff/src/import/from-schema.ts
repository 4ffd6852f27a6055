import { type FieldDocument, type RuleDocument, readDocument } from '@arbeit/engine/document';
import { say } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import type { Offer } from '@arbeit/engine/options';
import { placesIn } from '../document-text.ts';
import { type Offers, offersFrom } from './offers.ts';
import { patternReader } from './pattern-of.ts';
import { type Draft, dropped, type Imported, idFor, labelFor, namedAs, sanitize } from './sanitize.ts';
import { conditionalsOf, type Named, withConditions } from './schema-conditions.ts';
import {
  count,
  drop,
  type Found,
  isObject,
  type Json,
  list,
  resolved,
  type SchemaReading,
  text,
  within,
} from './schema-parts.ts';
import { writtenOf } from './schema-texts.ts';
import { importTexts } from './texts.ts';
import { type WrittenColumn as MadeOf, rangeOf } from './written.ts';

/** A property with the objects it was found in. */
interface Property extends Found {
  readonly name: string;
  readonly isNeeded: boolean;
  /** Names and titles of the objects it is in. */
  readonly inside: Inside;
  /** The fields of the object around it. */
  readonly made: Map<string, Named>;
}

interface Inside {
  readonly names: readonly string[];
  /** Paths of the schemas around it; a path that occurs again is a circle. */
  readonly paths: readonly string[];
  readonly title: string;
}

/** Limits on the schemas that are read, and on the depth of objects. */
const mostSchemas = 5000;
const deepest = 4;

/**
 * Imports a JSON Schema of an object (2020-12, and what earlier drafts write the same way) as a set: a field
 * per property, those of nested objects in sections of their own, and what could not be imported, by place. A
 * schema from a hand-off gives back its set. Nothing is fetched.
 */
export function fromSchema(source: string, root: Json): Imported {
  const own = root['x-arbeit'];
  const handed = own === undefined ? undefined : readDocument(own, kinds);
  if (handed?.ok) return { set: handed.document, lost: [] };
  const reading: SchemaReading = {
    placeIn: placesIn(source),
    root,
    lost: [],
    taken: new Set(),
    patternOf: patternReader(),
    left: { schemas: mostSchemas },
    told: new Set(),
    conditionals: [],
  };
  if (handed) drop(reading, { path: '$', said: '$' }, say(importTexts, 'invalid-own'), 'x-arbeit');
  const described = componentsIn(root);
  if (described.length > 0) return fromComponents(reading, root, described);
  let whole = resolved(reading, { schema: root, path: '$', said: '$' });
  if (!isObject(whole.schema.properties) && isObject(whole.schema.items)) {
    drop(reading, whole, say(importTexts, 'array-schema'));
    whole = resolved(reading, within(whole, whole.schema.items, 'items'));
  }
  const drafts = draftsOf(reading, whole, { names: [], paths: [], title: '' });
  if (
    drafts.length === 0 &&
    Object.keys(isObject(whole.schema.properties) ? whole.schema.properties : {}).length === 0
  )
    reading.lost.push({
      where: 'the schema',
      ...dropped(say(importTexts, 'no-properties')),
    });
  const title = text(whole.schema.title) || 'Imported';
  return withConditions(
    sanitize({ title, locale: 'en-GB', form: title }, drafts, reading.lost),
    reading.conditionals,
    reading,
  );
}

/** Schemas of objects in a description of an interface (OpenAPI 3: `components`; 2: `definitions`). */
function componentsIn(root: Json): readonly Found[] {
  const isOpenApi = typeof root.openapi === 'string' || typeof root.swagger === 'string';
  if (!isOpenApi) return [];
  const components = isObject(root.components) ? root.components.schemas : root.definitions;
  const names = typeof root.openapi === 'string' ? ['components', 'schemas'] : ['definitions'];
  return Object.entries(isObject(components) ? components : {}).flatMap(([name, schema]) =>
    isObject(schema)
      ? [{ ...within({ path: '$', said: '$' }, schema, ...names, name), said: `$.${name}` }]
      : [],
  );
}

/** Imports each object schema of an OpenAPI description as a form; others are used where referred to. */
function fromComponents(reading: SchemaReading, root: Json, described: readonly Found[]): Imported {
  const drafts = described.flatMap((found) => {
    const whole = resolved(reading, found);
    if (!isObject(whole.schema.properties)) return [];
    const form = text(whole.schema.title).trim() || labelFor(found.said.slice(2));
    return draftsOf(reading, whole, { names: [], paths: [], title: '' }).map((draft) => ({ ...draft, form }));
  });
  if (drafts.length === 0)
    reading.lost.push({ where: 'the schema', ...dropped(say(importTexts, 'no-properties')) });
  const title = (isObject(root.info) ? text(root.info.title) : '') || 'Imported';
  return withConditions(
    sanitize({ title, locale: 'en-GB' }, drafts, reading.lost),
    reading.conditionals,
    reading,
  );
}

/** The fields of an object: those of its properties, and of nested objects. */
function draftsOf(reading: SchemaReading, at: Found, inside: Inside): readonly Draft[] {
  const { schema } = at;
  const properties = isObject(schema.properties) ? schema.properties : {};
  const required = list(schema.required);
  const made = new Map<string, Named>();
  const drafts = Object.entries(properties).flatMap(([name, given]) => {
    // A schema `true` is the same as an empty one; `false` means that there is no such property.
    const own = given === true ? {} : given;
    const found = within(at, isObject(own) ? own : {}, 'properties', name);
    if (!isObject(own)) {
      drop(reading, found, say(importTexts, given === false ? 'no-value-allowed' : 'not-a-schema'));
      return [];
    }
    const whole = withoutNull(reading, resolved(reading, found));
    return propertyOf(reading, { ...whole, name, isNeeded: required.includes(name), inside, made });
  });
  const more: Draft[] = [];
  const add = (found: Found, name: string, isNeeded: boolean): void => {
    const whole = withoutNull(reading, resolved(reading, found));
    more.push(...propertyOf(reading, { ...whole, name, isNeeded, inside, made }));
  };
  reading.conditionals.push(...conditionalsOf({ reading, at, made, parts: new Set(), add }));
  for (const name of required)
    if (!Object.hasOwn(properties, String(name)) && !made.has(String(name)))
      drop(reading, at, say(importTexts, 'required-undefined', { name: String(name) }), 'required');
  return [...drafts, ...more];
}

function propertyOf(reading: SchemaReading, property: Property): readonly Draft[] {
  const { schema, name, inside } = property;
  if (!isObject(schema.properties)) return draftOf(reading, property);
  const names = [...inside.names, name];
  if (inside.paths.includes(property.path)) {
    drop(reading, property, say(importTexts, 'recursive'));
    return [];
  }
  if (names.length > deepest) {
    drop(reading, property, say(importTexts, 'too-deep', { most: deepest }));
    return [];
  }
  const title = text(schema.title).trim() || labelFor(name);
  const section = inside.title ? `${inside.title}, ${title.toLowerCase()}` : title;
  const paths = [...inside.paths, property.path];
  return draftsOf(reading, property, { names, paths, title: section.slice(0, 200) });
}

/** A schema that allows a value or null, as the schema of the value: a field may be empty anyway. */
function withoutNull(reading: SchemaReading, at: Found): Found {
  for (const keyword of ['anyOf', 'oneOf']) {
    const { [keyword]: all, ...rest } = at.schema;
    const some = list(all).flatMap((one, i) => (isObject(one) && !isNull(one) ? [[one, i] as const] : []));
    const [first] = some;
    if (first && some.length === 1) {
      const inner = resolved(reading, within(at, first[0], keyword, first[1]));
      return { ...inner, schema: { ...inner.schema, ...rest }, said: at.said };
    }
  }
  return at;
}

const isNull = (schema: Json): boolean => schema.type === 'null' || schema.const === null;

/** The types a property may have beside `null`. */
function typesOf({ type, enum: values, const: only }: Json): readonly string[] {
  const given = Array.isArray(type) ? type.map(String) : typeof type === 'string' ? [type] : [];
  const types = given.filter((one) => one !== 'null');
  if (types.length || given.length) return types.length ? types : ['null'];
  if (only !== undefined) return [typeof only];
  return Array.isArray(values) ? ['string'] : [];
}

function draftOf(reading: SchemaReading, property: Property): readonly Draft[] {
  const { name, path, schema, isNeeded, inside } = property;
  const made = madeOf(reading, property);
  if (!made) return [];
  for (const keyword of Object.keys(schema))
    if (!heard.has(keyword) && !keyword.startsWith('x-'))
      drop(reading, property, say(importTexts, 'keyword', { keyword }), keyword);
  const label = text(schema.title).trim().slice(0, 200) || labelFor(name);
  const id = idFor([...inside.names, name].join(' '), reading.taken);
  reading.taken.add(id);
  property.made.set(name, { id, words: made.words });
  const hint = text(schema.description).replace(/\s+/g, ' ').trim().slice(0, 500);
  const example = list(schema.examples)[0] ?? schema.example;
  const initial = (Array.isArray(schema.default) ? schema.default : [schema.default ?? ''])
    .map((one) => made.words?.get(String(one)) ?? String(one))
    .join('\n');
  const isAsked = isNeeded || schema.const === true;
  const rules: RuleDocument[] = [
    ...(isAsked ? [{ id: 'required', check: { type: 'required' } } as RuleDocument] : []),
    ...made.rules,
  ];
  const field = {
    id,
    // A record is flat: a property of a property has no name of its own.
    ...namedAs(inside.names.length === 0 ? name : undefined, id),
    kind: made.kind,
    label,
    ...(hint ? { hint } : {}),
    ...(typeof example === 'string' || typeof example === 'number' ? { placeholder: String(example) } : {}),
    ...(initial ? { initial } : {}),
    entry: made.entry,
    ...(schema.readOnly === true ? { html: { readonly: true } } : {}),
    ...(rules.length ? { rules } : {}),
  };
  // Invalid parts are dropped when it is added to the set.
  const draft = { field: field as unknown as FieldDocument, place: reading.placeIn(path) };
  return [inside.title ? { ...draft, section: inside.title } : draft];
}

/** Keywords that are read, and those that say nothing about values. */
const heard: ReadonlySet<string> = new Set([
  'type', 'enum', 'const', 'anyOf', 'oneOf', 'format', 'pattern', 'minLength', 'maxLength', 'minimum', 'maximum', 'exclusiveMinimum', 'exclusiveMaximum', 'multipleOf', 'items', 'minItems',
  'maxItems', 'uniqueItems', 'title', 'description', 'default', 'example', 'examples', 'readOnly', 'deprecated', 'nullable', '$comment', '$id', '$anchor', '$schema', '$defs', 'definitions',
]); // biome-ignore format: a list

interface Made extends MadeOf {
  /** Values of the schema that have another name in the field: schema value → field value. */
  readonly words?: ReadonlyMap<string, string>;
}

const yesAndNo = new Map([
  ['true', 'yes'],
  ['false', 'no'],
]);

function madeOf(reading: SchemaReading, at: Property): Made | undefined {
  const { schema } = at;
  const types = typesOf(schema);
  if (types.length > 1)
    drop(reading, at, say(importTexts, 'several-types', { types: types.join(', ') }), 'type');
  if (types[0] === 'boolean') return { kind: 'yes-no', entry: { draw: 'tick' }, rules: [], words: yesAndNo };
  const offers = offersIn(reading, at);
  if (offers === 'one') {
    drop(reading, at, say(importTexts, 'one-value'));
    return undefined;
  }
  if (offers && types[0] !== 'array')
    return { kind: 'choice', entry: { options: offers.options }, rules: [], words: offers.words };
  for (const keyword of ['anyOf', 'oneOf'])
    if (keyword in schema && !offers) drop(reading, at, say(importTexts, 'alternatives'), keyword);
  switch (types[0]) {
    case 'integer':
    case 'number':
      return numberOf(schema, types[0] === 'integer');
    case 'array':
      return severalOf(reading, at);
    case 'string':
    case undefined:
      return writtenOf(reading, at);
    default:
      drop(reading, at, say(importTexts, 'unknown-type', { type: String(types[0]) }));
      return undefined;
  }
}

/** Options with their labels, if there are any; `one` if only a single value is allowed. */
function offersIn(reading: SchemaReading, at: Found): Offers | 'one' | undefined {
  const { schema } = at;
  const { enum: values, oneOf, anyOf } = schema;
  const given = list(values).filter((value) => value !== null);
  const described = list(oneOf ?? anyOf).filter((one) => isObject(one) && !isNull(one)) as Json[];
  const offered: readonly Offer[] = given.length
    ? given.map((value) => ({ value: String(value), label: wordsOf(String(value)) }))
    : described.every((one) => 'const' in one)
      ? described.map((one) => ({
          value: String(one.const),
          label: text(one.title) || text(one.description) || wordsOf(String(one.const)),
        }))
      : [];
  if ('const' in schema || offered.length === 1) return 'one';
  if (offered.length === 0) return undefined;
  const offers = offersFrom(offered);
  for (const said of offers.told) drop(reading, at, said);
  return offers.options.length > 1 ? offers : 'one';
}

/** A value as a label: unchanged if somebody wrote it for people. */
const wordsOf = (value: string): string => (/\s|^\p{Lu}/u.test(value) ? value : labelFor(value));

function numberOf(schema: Json, isWhole: boolean): Made {
  const { minimum, maximum, exclusiveMinimum, exclusiveMaximum, multipleOf } = schema;
  const step = count(multipleOf);
  const decimals = isWhole
    ? 0
    : step === undefined
      ? 6
      : Math.min(6, String(step).split('.')[1]?.length ?? 0);
  const unit = decimals ? 10 ** -decimals : 1;
  /** The first whole number inside an exclusive bound. */
  const next = (bound: unknown, by: number): number | undefined => {
    const from = count(bound);
    return from === undefined ? undefined : Number((from + by).toFixed(decimals));
  };
  const most = (a: number | undefined, b: number | undefined, of: (...all: number[]) => number) =>
    a === undefined || b === undefined ? (a ?? b) : of(a, b);
  const min = most(count(minimum), next(exclusiveMinimum, unit), Math.max);
  const max = most(count(maximum), next(exclusiveMaximum, -unit), Math.min);
  const entry = {
    ...(decimals ? { decimals: { max: decimals } } : {}),
    ...(min === undefined || min < 0 ? { negative: 'minus' } : {}),
  };
  return { kind: 'number', entry, rules: rangeOf(min, max, step) };
}

function severalOf(reading: SchemaReading, at: Found): Made | undefined {
  const { schema } = at;
  const items = within(at, isObject(schema.items) ? schema.items : {}, 'items');
  const offers = offersIn(reading, resolved(reading, items));
  if (!offers || offers === 'one') {
    drop(reading, at, say(importTexts, 'array-items'));
    return undefined;
  }
  const [min, max] = [count(schema.minItems), count(schema.maxItems)];
  const bounds = { ...(min ? { min } : {}), ...(max === undefined ? {} : { max }) };
  const entry = { options: offers.options, ...(Object.keys(bounds).length ? { count: bounds } : {}) };
  return { kind: 'choices', entry, rules: [], words: offers.words };
}

import { type ConditionDocument, type FieldDocument, readDocument } from '@arbeit/engine/document';
import { say } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import { dropped, type Imported } from './sanitize.ts';
import {
  type Conditional,
  drop,
  type Found,
  isObject,
  type Json,
  list,
  resolved,
  type SchemaReading,
  within,
} from './schema-parts.ts';
import { importTexts } from './texts.ts';

/** A field that a property became, and its values that have another name there. */
export interface Named {
  readonly id: string;
  readonly words: ReadonlyMap<string, string> | undefined;
}

/** The object whose properties relate to each other. */
export interface Relating {
  readonly reading: SchemaReading;
  readonly at: Found;
  /** Fields by the name of their property. */
  readonly made: Map<string, Named>;
  /** Properties that only parts of the schema describe. */
  readonly parts: Set<string>;
  /** Imports a property that only a part of the schema describes. Its fields are in `made` afterwards. */
  readonly add: (at: Found, name: string, isNeeded: boolean) => void;
}

/** Keywords of a part that say nothing about values. */
const plain = new Set(['title', 'description', '$comment', 'type', 'properties', 'required']);

/**
 * Conditions for the keywords that relate properties: `if`, `oneOf` with a discriminator, `dependentRequired`
 * and others. What fields cannot express is reported.
 */
export function conditionalsOf(relating: Relating): readonly Conditional[] {
  const { reading, at } = relating;
  const { schema } = at;
  const found: Conditional[] = [];
  const conditions = [
    ...('if' in schema ? [at] : []),
    ...list(schema.$conditions).map((one) => one as Found),
  ];
  for (const one of conditions) found.push(...ifThen(relating, one));
  for (const keyword of ['oneOf', 'anyOf'] as const)
    if (keyword in schema) found.push(...alternatives(relating, keyword));
  for (const keyword of ['dependentRequired', 'dependentSchemas', 'dependencies'] as const)
    if (keyword in schema) found.push(...dependents(relating, keyword));
  for (const keyword of ['not', 'patternProperties', 'propertyNames', 'minProperties', 'maxProperties'])
    if (keyword in schema) drop(reading, at, say(importTexts, 'dependencies'), keyword);
  return together(found);
}

/** `if`, `then` and `else` (JSON Schema 2020-12, 10.2.2). */
function ifThen(relating: Relating, at: Found): readonly Conditional[] {
  const { reading, made } = relating;
  const { if: test, then: does, else: others } = at.schema;
  const when = isObject(test) ? conditionIn(test, made) : undefined;
  if (!when || !(isObject(does) || isObject(others))) {
    drop(reading, at, say(importTexts, 'dependencies'), 'if');
    return [];
  }
  return [
    ...(isObject(does) ? partOf(relating, within(at, does, 'then'), when) : []),
    ...(isObject(others) ? partOf(relating, within(at, others, 'else'), { not: when }) : []),
  ];
}

/** A part of an object that applies under a condition. */
function partOf(relating: Relating, given: Found, when: ConditionDocument): readonly Conditional[] {
  const { reading, made, parts, add } = relating;
  const at = resolved(reading, given);
  const properties = isObject(at.schema.properties) ? at.schema.properties : {};
  const required = list(at.schema.required).map(String);
  const found: Conditional[] = [];
  for (const keyword of Object.keys(at.schema))
    if (!plain.has(keyword)) drop(reading, at, say(importTexts, 'conditional-keyword', { keyword }), keyword);
  for (const [name, own] of Object.entries(properties)) {
    if (!isObject(own)) continue;
    const place = within(at, own, 'properties', name);
    const before = made.get(name);
    if (before && parts.has(name)) {
      // Another part has brought it: it counts with either.
      found.push({ id: before.id, does: 'count', when, at });
      if (required.includes(name)) found.push({ id: before.id, does: 'need', when, at });
      continue;
    }
    if (before) {
      // A value that the condition itself names says nothing more.
      if (Object.keys(own).some((keyword) => !plain.has(keyword)))
        drop(reading, place, say(importTexts, 'conditional-values'));
      continue;
    }
    add(place, name, false);
    const field = made.get(name);
    if (!field) continue;
    parts.add(name);
    found.push({ id: field.id, does: 'count', when, at });
    if (required.includes(name)) found.push({ id: field.id, does: 'need', when, at });
  }
  for (const name of required) {
    const field = made.get(name);
    if (!field) drop(reading, at, say(importTexts, 'required-undefined', { name }), 'required');
    else if (!Object.hasOwn(properties, name)) found.push({ id: field.id, does: 'need', when, at });
  }
  return found;
}

/** The condition of an `if`: properties that have a value, or one of several; `undefined` if it is more. */
function conditionIn(test: Json, made: ReadonlyMap<string, Named>): ConditionDocument | undefined {
  if (Object.keys(test).some((keyword) => !plain.has(keyword))) return undefined;
  const properties = isObject(test.properties) ? test.properties : {};
  const all: ConditionDocument[] = [];
  for (const [name, own] of Object.entries(properties)) {
    const field = made.get(name);
    const values = isObject(own) ? valuesIn(own) : undefined;
    if (!field || !values) return undefined;
    all.push(isOne(field, values));
  }
  for (const name of list(test.required).map(String)) {
    if (Object.hasOwn(properties, name)) continue;
    const field = made.get(name);
    if (!field) return undefined;
    all.push({ not: { field: field.id, is: null } });
  }
  const [first] = all;
  return all.length > 1 ? { all } : first;
}

/** The values that a property must have; `undefined` if a schema says anything else of it. */
function valuesIn({ type: _, title: __, ...own }: Json): readonly unknown[] | undefined {
  const [keyword, ...others] = Object.keys(own);
  if (others.length > 0) return undefined;
  if (keyword === 'const') return [own.const];
  return keyword === 'enum' && list(own.enum).length > 0 ? list(own.enum) : undefined;
}

/** The condition that a field has one of these values. */
function isOne({ id, words }: Named, values: readonly unknown[]): ConditionDocument {
  const raw = values.map((value) =>
    value === null ? null : (words?.get(String(value)) ?? (value as string | number | boolean)),
  );
  return { field: id, is: raw.length === 1 ? raw[0]! : raw };
}

/** Alternatives of an object, each with another value of one property (a discriminator). */
function alternatives(relating: Relating, keyword: 'oneOf' | 'anyOf'): readonly Conditional[] {
  const { reading, at, made, add } = relating;
  const all = list(at.schema[keyword]).flatMap((one, i) =>
    isObject(one) ? [resolved(reading, within(at, one, keyword, i))] : [],
  );
  const propertiesOf = ({ schema }: Found): Json => (isObject(schema.properties) ? schema.properties : {});
  const constantIn = (part: Found, name: string): readonly unknown[] | undefined => {
    const own = propertiesOf(part)[name];
    return isObject(own) ? valuesIn(own) : undefined;
  };
  const [first] = all;
  const name = Object.keys(first ? propertiesOf(first) : {}).find((one) => {
    const values = all.map((part) => constantIn(part, one));
    const texts = values.flatMap((some) => some ?? []).map(String);
    return values.every((some) => some !== undefined) && new Set(texts).size === texts.length;
  });
  if (name === undefined || all.length < 2) {
    drop(reading, at, say(importTexts, 'dependencies'), keyword);
    return [];
  }
  if (!made.has(name)) {
    const { title } = propertiesOf(all[0]!)[name] as Json;
    const schema = { enum: all.flatMap((part) => constantIn(part, name) ?? []), ...(title ? { title } : {}) };
    const isNeeded = all.every((part) => list(part.schema.required).includes(name));
    add(within(at, schema, keyword, 0, 'properties', name), name, isNeeded);
  }
  const field = made.get(name);
  if (!field) return [];
  return all.flatMap((part) => {
    const { [name]: _, ...properties } = propertiesOf(part);
    const required = list(part.schema.required).filter((one) => one !== name);
    const rest = { ...part, schema: { ...part.schema, properties, required } };
    return partOf(relating, rest, isOne(field, constantIn(part, name) ?? []));
  });
}

/** What is asked for, or what applies, once a property has a value. */
function dependents(
  relating: Relating,
  keyword: 'dependentRequired' | 'dependentSchemas' | 'dependencies',
): readonly Conditional[] {
  const { reading, at, made } = relating;
  const all = at.schema[keyword];
  return Object.entries(isObject(all) ? all : {}).flatMap(([name, given]) => {
    const field = made.get(name);
    const schema = Array.isArray(given) ? { required: given } : given;
    if (!field || !isObject(schema)) {
      drop(reading, at, say(importTexts, 'dependencies'), keyword, name);
      return [];
    }
    return partOf(relating, within(at, schema, keyword, name), { not: { field: field.id, is: null } });
  });
}

/** A field that several parts have counts under any of their conditions. */
function together(all: readonly Conditional[]): readonly Conditional[] {
  const counts = new Map<string, Conditional>();
  const others: Conditional[] = [];
  for (const one of all) {
    const before = one.does === 'count' ? counts.get(one.id) : undefined;
    if (one.does === 'need') others.push(one);
    else counts.set(one.id, before ? { ...before, when: either(before.when, one.when) } : one);
  }
  return [...counts.values(), ...others];
}

function either(one: ConditionDocument, other: ConditionDocument): ConditionDocument {
  if ('any' in one) return { any: [...one.any, other] };
  return { any: [one, other] };
}

/** A set with conditions; those that it cannot have are reported. */
export function withConditions(
  { set, lost }: Imported,
  all: readonly Conditional[],
  reading: SchemaReading,
): Imported {
  let present = set;
  const more = [...lost];
  for (const one of all) {
    const next = { ...present, fields: present.fields.map((field) => conditioned(field, one)) };
    const read = readDocument(next, kinds);
    if (read.ok) present = next;
    else
      more.push({
        where: `the field “${present.fields.find(({ id }) => id === one.id)?.label ?? one.id}”`,
        ...dropped(read.faults[0] ?? say(importTexts, 'dependencies')),
        place: reading.placeIn(one.at.path),
      });
  }
  return { set: present, lost: more };
}

function conditioned(field: FieldDocument, { id, does, when }: Conditional): FieldDocument {
  if (field.id !== id) return field;
  if (does === 'count') return { ...field, when };
  const rules = field.rules ?? [];
  const needs = rules.filter(({ check }) => check.type === 'required');
  if (needs.some((rule) => !rule.when)) return field;
  const name = needs.length ? `required-${needs.length + 1}` : 'required';
  return { ...field, rules: [{ id: name, check: { type: 'required' }, when }, ...rules] };
}

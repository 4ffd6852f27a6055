import type { FieldDocument, RuleDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { type Place, placesIn } from '../document-text.ts';
import { type PatternReader, patternReader } from './pattern-of.ts';
import { type BroughtIn, type Draft, idFor, type Lost, labelFor, soundSet } from './sound.ts';

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const text = (value: unknown): string => (typeof value === 'string' ? value : '');
const count = (value: unknown): number | undefined =>
  typeof value === 'number' && Number.isFinite(value) ? value : undefined;

/** What is known of a schema while its properties are read. */
interface Reading {
  readonly placeIn: (path: string) => Place;
  readonly root: Json;
  readonly lost: Lost[];
  readonly taken: Set<string>;
  readonly patternOf: PatternReader;
}

/** One property, with what it was found under. */
interface Property {
  readonly name: string;
  readonly path: string;
  readonly schema: Json;
  readonly isNeeded: boolean;
}

/**
 * A JSON Schema of an object (2020-12, and what earlier drafts write the same way) as a set: a field a property, and what could not be
 * carried over, by place. One that was handed off comes back as it was. Nothing it refers to is fetched.
 */
export function fromSchema(source: string, root: Json): BroughtIn {
  const own = root['x-arbeit'];
  if (own !== undefined) {
    const result = readDocument(own, kinds);
    if (result.ok) return { set: result.document, lost: [] };
  }
  const reading: Reading = {
    placeIn: placesIn(source),
    root,
    lost: [],
    taken: new Set(),
    patternOf: patternReader(),
  };
  const schema = resolved(reading, root, '$');
  const properties = isObject(schema.properties) ? schema.properties : {};
  const required = Array.isArray(schema.required) ? schema.required : [];
  const drafts = Object.entries(properties).flatMap(([name, given]) => {
    const path = `$.properties${/^[A-Za-z_]\w*$/.test(name) ? `.${name}` : `[${JSON.stringify(name)}]`}`;
    if (!isObject(given)) return lose(reading, path, 'It says nothing of its values.');
    return draftOf(reading, {
      name,
      path,
      schema: resolved(reading, given, path),
      isNeeded: required.includes(name),
    });
  });
  if (Object.keys(properties).length === 0)
    reading.lost.push({
      where: 'the schema',
      why: 'It is none of an object with properties: there is nothing to be a field.',
    });
  for (const keyword of [
    'if',
    'oneOf',
    'anyOf',
    'not',
    'dependentRequired',
    'dependentSchemas',
    'patternProperties',
  ])
    if (keyword in schema)
      lose(reading, `$.${keyword}`, 'What one property asks of another is not carried over.');
  const title = text(schema.title) || 'Brought in';
  return soundSet({ title, locale: 'en-GB', form: title }, drafts, reading.lost);
}

function lose({ placeIn, lost }: Reading, path: string, why: string): [] {
  lost.push({
    where: path.replace(/^\$\.?(?:properties\.)?/, '') || 'the schema',
    why,
    place: placeIn(path),
  });
  return [];
}

/** A schema with what it refers to inside its own document; a circle, and what stands elsewhere, is told and left out. */
function resolved(reading: Reading, schema: Json, path: string): Json {
  let at = schema;
  const seen = new Set<string>();
  while (typeof at.$ref === 'string') {
    const { $ref, ...rest } = at;
    if (seen.has($ref) || !$ref.startsWith('#')) {
      const why = seen.has($ref)
        ? 'It refers to itself.'
        : 'It refers to another document, which is not fetched.';
      lose(reading, `${path}.$ref`, why);
      return rest;
    }
    seen.add($ref);
    let target: unknown = reading.root;
    for (const key of $ref.slice(1).split('/').filter(Boolean)) {
      const name = named(key);
      target = isObject(target) && Object.hasOwn(target, name) ? target[name] : undefined;
    }
    if (!isObject(target)) {
      lose(reading, `${path}.$ref`, 'What it refers to is not there.');
      return rest;
    }
    at = { ...target, ...rest };
  }
  const { allOf } = at;
  if (!Array.isArray(allOf)) return at;
  return Object.assign({}, at, ...allOf.filter(isObject).map(withoutAllOf)) as Json;
}

/** A name as a JSON Pointer in a URI writes it (RFC 6901); one that is written wrongly is none of the names there are. */
function named(key: string): string {
  try {
    return decodeURIComponent(key).replaceAll('~1', '/').replaceAll('~0', '~');
  } catch {
    return key;
  }
}

const withoutAllOf = ({ allOf: _, ...rest }: Json): Json => rest;

/** The types a property may have beside `null`. */
function typesOf({ type, enum: values }: Json): readonly string[] {
  const given = Array.isArray(type) ? type.map(String) : typeof type === 'string' ? [type] : [];
  const types = given.filter((one) => one !== 'null');
  return types.length ? types : Array.isArray(values) ? ['string'] : [];
}

function draftOf(reading: Reading, property: Property): readonly Draft[] {
  const { name, path, schema, isNeeded } = property;
  const made = madeOf(reading, property);
  if (!made) return [];
  const label = text(schema.title).trim().slice(0, 200) || labelFor(name);
  const id = idFor(name, reading.taken);
  reading.taken.add(id);
  const hint = text(schema.description).replace(/\s+/g, ' ').trim().slice(0, 500);
  const [example] = Array.isArray(schema.examples) ? schema.examples : [];
  const initial = 'default' in schema && schema.default !== null ? String(schema.default) : '';
  const rules: RuleDocument[] = [
    ...(isNeeded ? [{ id: 'required', check: { type: 'required' } } as RuleDocument] : []),
    ...made.rules,
  ];
  const field = {
    id,
    kind: made.kind,
    label,
    ...(hint ? { hint } : {}),
    ...(typeof example === 'string' || typeof example === 'number' ? { placeholder: String(example) } : {}),
    ...(initial ? { initial: made.words?.[initial] ?? initial } : {}),
    entry: made.entry,
    ...(schema.readOnly === true ? { html: { readonly: true } } : {}),
    ...(rules.length ? { rules } : {}),
  };
  // What is not sound of it goes as it is taken into the set.
  return [{ field: field as unknown as FieldDocument, place: reading.placeIn(path) }];
}

interface Made {
  readonly kind: string;
  readonly entry: object;
  readonly rules: readonly RuleDocument[];
  /** What values of the schema are called as values of the field, where that is something else. */
  readonly words?: Readonly<Record<string, string>>;
}

function madeOf(reading: Reading, { path, schema }: Property): Made | undefined {
  const types = typesOf(schema);
  if (types.length > 1)
    lose(reading, `${path}.type`, `It may be ${types.join(' or ')}: it came in as the first.`);
  const offers = offersIn(schema);
  if (offers.length > 1 && types[0] !== 'array')
    return { kind: 'choice', entry: { options: offers }, rules: [] };
  switch (types[0]) {
    case 'boolean':
      return { kind: 'yes-no', entry: { draw: 'tick' }, rules: [], words: { true: 'yes', false: 'no' } };
    case 'integer':
    case 'number':
      return numberOf(schema, types[0] === 'integer');
    case 'array':
      return severalOf(reading, path, schema);
    case 'string':
    case undefined:
      return writtenOf(reading, path, schema);
    default:
      lose(reading, path, `There is no kind of field for values of type ${types[0]}.`);
      return undefined;
  }
}

/** Values to choose from, with the words of each where it has any. */
function offersIn(schema: Json): readonly { readonly value: string; readonly label: string }[] {
  const { enum: values, oneOf, anyOf } = schema;
  if (Array.isArray(values))
    return values
      .filter((value) => value !== null)
      .map((value) => ({ value: String(value), label: labelFor(String(value)) }));
  const named = (Array.isArray(oneOf) ? oneOf : Array.isArray(anyOf) ? anyOf : []).filter(isObject);
  if (named.length === 0 || !named.every((one) => 'const' in one)) return [];
  return named.map((one) => ({
    value: String(one.const),
    label: text(one.title) || labelFor(String(one.const)),
  }));
}

function numberOf(schema: Json, isWhole: boolean): Made {
  const { minimum, maximum, exclusiveMinimum, exclusiveMaximum, multipleOf } = schema;
  const step = count(multipleOf);
  const decimals = isWhole ? 0 : step === undefined ? 6 : (String(step).split('.')[1]?.length ?? 0);
  const unit = decimals ? 10 ** -decimals : 1;
  const min =
    count(minimum) ??
    (count(exclusiveMinimum) === undefined
      ? undefined
      : Number(((count(exclusiveMinimum) ?? 0) + unit).toFixed(decimals)));
  const max =
    count(maximum) ??
    (count(exclusiveMaximum) === undefined
      ? undefined
      : Number(((count(exclusiveMaximum) ?? 0) - unit).toFixed(decimals)));
  const isBounded = min !== undefined || max !== undefined || step !== undefined;
  const range = {
    type: 'range',
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(step === undefined ? {} : { step }),
  } as const;
  const entry = {
    ...(decimals ? { decimals: { max: decimals } } : {}),
    ...(min === undefined || min < 0 ? { negative: 'minus' } : {}),
  };
  return { kind: 'number', entry, rules: isBounded ? [{ id: 'range', check: range }] : [] };
}

function severalOf(reading: Reading, path: string, schema: Json): Made | undefined {
  const items = isObject(schema.items) ? resolved(reading, schema.items, `${path}.items`) : {};
  const options = offersIn(items);
  if (options.length < 2) {
    lose(reading, path, 'A list is a field only where its entries are chosen from a few.');
    return undefined;
  }
  const [min, max] = [count(schema.minItems), count(schema.maxItems)];
  const bounds = { ...(min ? { min } : {}), ...(max === undefined ? {} : { max }) };
  return {
    kind: 'choices',
    entry: { options, ...(Object.keys(bounds).length ? { count: bounds } : {}) },
    rules: [],
  };
}

/** Kinds and rules by the format of a text (JSON Schema, "format"). */
const formats: Readonly<Record<string, Made>> = {
  date: { kind: 'date', entry: {}, rules: [] },
  time: { kind: 'time', entry: { clock: 24, seconds: true }, rules: [] },
  email: {
    kind: 'text',
    entry: { case: 'lower' },
    rules: [{ id: 'form', check: { type: 'matches', pattern: '[^@\\s]+@[^@\\s]+\\.[^@\\s.]+' } }],
  },
  uri: {
    kind: 'text',
    entry: {},
    rules: [{ id: 'form', check: { type: 'matches', pattern: '[a-zA-Z][a-zA-Z0-9+.\\-]*:.+' } }],
  },
};

function writtenOf(reading: Reading, path: string, schema: Json): Made {
  const { format, pattern, minLength, maxLength } = schema;
  const known = typeof format === 'string' && Object.hasOwn(formats, format) ? formats[format] : undefined;
  if (typeof format === 'string' && !known)
    lose(reading, `${path}.format`, `The format “${format}” is not carried over.`);
  const made = known ?? { kind: 'text', entry: {}, rules: [] };
  const [least, most] = [count(minLength), count(maxLength)];
  const rules = [...made.rules];
  if (typeof pattern === 'string') {
    const whole = wholeOf(pattern);
    const found = whole === undefined ? undefined : reading.patternOf(whole);
    if (found?.is === 'exact' && !known)
      return { kind: 'pattern', entry: { pattern: found.pattern, raw: 'text' }, rules };
    rules.push({
      id: 'pattern',
      check: { type: 'matches', pattern: whole ?? `[\\s\\S]*(?:${pattern})[\\s\\S]*` },
    });
    const why =
      found?.is === 'not'
        ? found.why
        : whole === undefined
          ? 'It may match anywhere in a text.'
          : 'Its format says more.';
    lose(reading, `${path}.pattern`, `It came in as a rule: ${why}`);
  }
  if (least && least > 1) rules.push({ id: 'length', check: { type: 'length', min: least } });
  // What is written as ISO 8601 has its own length.
  const isFree = format !== 'date' && format !== 'time';
  const entry = isFree && most !== undefined && most > 0 ? { ...made.entry, max: most } : made.entry;
  return { ...made, entry, rules };
}

/** What of an expression has to match as a whole, where it says so at both ends (JSON Schema expressions match anywhere). */
function wholeOf(pattern: string): string | undefined {
  const inside = /^\^([\s\S]*)\$$/.exec(pattern)?.[1];
  // An alternative outside of a group would take its end with it.
  if (inside === undefined || /\\$/.test(inside)) return undefined;
  let depth = 0;
  for (const c of inside.replace(/\\[\s\S]|\[(?:\\[\s\S]|[^\]])*\]/g, '')) {
    if (c === '(') depth++;
    else if (c === ')') depth--;
    else if (c === '|' && depth === 0) return undefined;
  }
  return inside;
}

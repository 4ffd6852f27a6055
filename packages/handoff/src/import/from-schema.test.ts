// biome-ignore-all lint/suspicious/noThenProperty: a keyword of JSON Schema
import { compile } from '@arbeit/engine/document';
import { applyToForm, countsInForm, startForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { documentText } from '../document-text.ts';
import { recordSchema } from '../emit/record-schema.ts';
import { fromSchema } from './from-schema.ts';
import { demo, seed, sound } from './seen.ts';

describe('a JSON Schema', () => {
  const schema = {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Booking',
    type: 'object',
    required: ['guestName', 'hut'],
    $defs: { day: { type: 'string', format: 'date', title: 'A day' }, circle: { $ref: '#/$defs/circle' } },
    properties: {
      guestName: {
        type: 'string',
        title: 'Guest',
        minLength: 2,
        maxLength: 40,
        description: 'As on the pass.',
        examples: ['A. Guest'],
      },
      mail: { type: ['string', 'null'], format: 'email' },
      pass: { type: 'string', pattern: '^[A-Z]{2}-\\d{4}$' },
      loose: { type: 'string', pattern: 'x' },
      arrival: { $ref: '#/$defs/day' },
      guests: { type: 'integer', minimum: 1, maximum: 24, default: 2 },
      deposit: { type: 'number', exclusiveMinimum: 0, multipleOf: 0.5 },
      hut: { enum: ['windgap', 'two-tarns'] },
      meals: {
        oneOf: [
          { const: 'none', title: 'No meals' },
          { const: 'half', title: 'Half board' },
        ],
      },
      extras: { type: 'array', items: { enum: ['wood', 'tea'] }, maxItems: 2 },
      dog: { type: 'boolean', default: true },
      address: { type: 'object' },
      again: { $ref: '#/$defs/circle' },
      elsewhere: { $ref: 'https://elsewhere.example/schema.json' },
      odd: { type: 'string', format: 'duration' },
    },
    if: {},
  };
  const source = JSON.stringify(schema, null, 2);
  const brought = fromSchema(source, schema);
  const set = sound(brought);
  const of = (id: string) => set.fields.find((field) => field.id === id);

  test('kinds, labels, hints, rules and choices', () => {
    expect(set.fields.map(({ id, kind }) => `${id}: ${kind}`)).toEqual([
      'guest-name: text', 'mail: text', 'pass: pattern', 'loose: text', 'arrival: date', 'guests: number', 'deposit: number', 'hut: choice', 'meals: choice', 'extras: choices',
      'dog: yes-no', 'again: text', 'elsewhere: text', 'odd: text',
    ]); // biome-ignore format: a list
    expect(of('guest-name')).toMatchObject({
      label: 'Guest',
      hint: 'As on the pass.',
      placeholder: 'A. Guest',
      entry: { max: 40 },
    });
    expect(of('guest-name')!.rules!.map(({ check }) => check.type)).toEqual(['required', 'length']);
    expect(of('pass')!.entry).toEqual({ pattern: '<2 latin upper>-<4 digit>', raw: 'text' });
    expect(of('arrival')!.label).toBe('A day');
    expect(of('guests')).toMatchObject({
      initial: '2',
      rules: [{ check: { type: 'range', min: 1, max: 24 } }],
    });
    expect(of('deposit')).toMatchObject({
      entry: { decimals: { max: 1 } },
      rules: [{ check: { type: 'range', min: 0.1, step: 0.5 } }],
    });
    expect(of('meals')!.entry).toMatchObject({
      options: [
        { value: 'none', label: 'No meals' },
        { value: 'half', label: 'Half board' },
      ],
    });
    expect(of('dog')).toMatchObject({ initial: 'yes' });
  });

  test('what could not be carried over is told by place', () => {
    const lines = source.split('\n');
    expect(
      brought.lost.map(({ where, place }) => [where, lines[(place?.line ?? 0) - 1]?.trim().split(':')[0]]),
    ).toEqual([
      ['loose.pattern', '"pattern"'],
      ['address', '"address"'],
      ['again.$ref', '"$ref"'],
      ['elsewhere.$ref', '"$ref"'],
      ['odd.format', '"format"'],
      ['if', '"if"'],
    ]);
  });

  test.each<[string, object, Readonly<Record<string, object>>, readonly string[]]>([
    [
      'what is asked for with another value',
      { properties: { dog: { type: 'boolean' }, dogName: { type: 'string' } }, if: { properties: { dog: { const: true } } }, then: { required: ['dogName'] } },
      { 'dog-name': { rules: [{ id: 'required', check: { type: 'required' }, when: { field: 'dog', is: 'yes' } }] } },
      [],
    ],
    [
      'a field that is there with one of two values alone, and one otherwise',
      { properties: { hut: { enum: ['Two Tarns', 'Windgap', 'Larch Shelf'] } }, required: ['hut'], if: { properties: { hut: { enum: ['Two Tarns', 'Windgap'] } }, required: ['hut'] }, then: { properties: { boat: { type: 'string' } }, required: ['boat'] }, else: { properties: { pass: { type: 'integer' } } } },
      { boat: { kind: 'text', when: { field: 'hut', is: ['Two Tarns', 'Windgap'] }, rules: [{ check: { type: 'required' } }] }, pass: { kind: 'number', when: { not: { field: 'hut', is: ['Two Tarns', 'Windgap'] } } } },
      [],
    ],
    [
      'several conditions, each in a piece of its own',
      { properties: { a: { enum: ['x', 'y'] }, b: { type: 'string' }, c: { type: 'string' } }, allOf: [{ if: { properties: { a: { const: 'x' } } }, then: { required: ['b'] } }, { if: { properties: { a: { const: 'y' } } }, then: { required: ['c'] } }] },
      { b: { rules: [{ when: { field: 'a', is: 'x' } }] }, c: { rules: [{ when: { field: 'a', is: 'y' } }] } },
      [],
    ],
    [
      'alternatives that a value tells apart; what both have counts with either',
      { required: ['by'], oneOf: [{ title: 'Card', properties: { by: { const: 'card' }, number: { type: 'string' }, note: { type: 'string' } }, required: ['by', 'number'] }, { properties: { by: { const: 'cash' }, note: { type: 'string' } }, required: ['by'] }, { properties: { by: { const: 'later' }, until: { type: 'string', format: 'date' } } }] },
      { by: { kind: 'choice', entry: { options: [{ value: 'card' }, { value: 'cash' }, { value: 'later' }] } }, number: { when: { field: 'by', is: 'card' }, rules: [{ check: { type: 'required' } }] }, until: { kind: 'date', when: { field: 'by', is: 'later' } } },
      [],
    ],
    [
      'what another property brings with it',
      { properties: { card: { type: 'string' }, name: { type: 'string' }, year: { type: 'integer' } }, dependentRequired: { card: ['name'] }, dependencies: { card: ['year'] } },
      { name: { rules: [{ check: { type: 'required' }, when: { not: { field: 'card', is: null } } }] }, year: { rules: [{ when: { not: { field: 'card', is: null } } }] } },
      [],
    ],
    [
      'two conditions at once, and one that only asks for a value',
      { properties: { a: { type: 'boolean' }, b: { type: 'integer' }, c: { type: 'string' } }, if: { properties: { a: { const: false }, b: { const: 3 } }, required: ['a', 'b'] }, then: { required: ['c'] } },
      { c: { rules: [{ when: { all: [{ field: 'a', is: 'no' }, { field: 'b', is: 3 }] } }] } },
      [],
    ],
    [
      'what no condition can say',
      { properties: { a: { type: 'string' }, b: { type: 'string' } }, if: { properties: { a: { pattern: 'x' } } }, then: { required: ['b'] }, oneOf: [{ required: ['a'] }, { required: ['b'] }], not: { required: ['a', 'b'] }, dependentRequired: { z: ['a'] } },
      { a: { kind: 'text' }, b: { kind: 'text' } },
      ['if: ', 'oneOf: ', 'dependentRequired.z: ', 'not: '],
    ],
    [
      'values of a field under a condition',
      { properties: { a: { enum: ['x', 'y'] }, b: { type: 'integer' } }, if: { properties: { a: { const: 'x' } } }, then: { properties: { b: { minimum: 3 } }, minProperties: 2 } },
      { b: { kind: 'number' } },
      ['then.minProperties: ', 'then.b: '],
    ],
  ])('%s', (_, schema, wanted, told) => {
    const root = { type: 'object', ...schema };
    const found = fromSchema(JSON.stringify(root), root);
    const fields = sound(found).fields;
    for (const [id, field] of Object.entries(wanted)) expect(fields.find((one) => one.id === id)).toMatchObject(field);
    expect(found.lost.map(({ where }) => `${where}: `)).toEqual(told);
  }); // biome-ignore format: a schema a line

  test('a field that several alternatives have counts with each of them', () => {
    const part = (by: string) => ({ properties: { by: { const: by }, note: { type: 'string' } } });
    const root = {
      type: 'object',
      oneOf: [part('card'), part('cash'), { properties: { by: { const: 'later' } } }],
    };
    const set = sound(fromSchema(JSON.stringify(root), root));
    expect(set.fields.map(({ id }) => id)).toEqual(['by', 'note']);
    const form = compile(set, kinds).forms[0]!;
    const counts = (by: string) => {
      const state = applyToForm(form, startForm(form), {
        type: 'field',
        field: 'by',
        event: { type: 'set', text: by },
      });
      return countsInForm(form, state, 'note');
    };
    expect(['', 'card', 'cash', 'later'].map(counts)).toEqual([false, true, true, false]);
  });

  /** The field of one property, and what was told. */
  const from = (property: unknown, more: object = {}) => {
    const root = { type: 'object', properties: { a: property }, ...more };
    const found = fromSchema(JSON.stringify(root), root);
    return { fields: sound(found).fields, forms: found.set.forms, told: found.lost.map(({ where, why }) => `${where}: ${why}`) };
  }; // biome-ignore format: what a property comes to

  test.each([
    ['values with blanks', { enum: ['New York', 'San José'], default: 'San José' }, { kind: 'choice', initial: 'San José', entry: { options: [{ value: 'New York', label: 'New York' }, { value: 'San José', label: 'San José' }] } }],
    ['several with blanks', { type: 'array', items: { enum: ['a b', 'c'] }, default: ['a b', 'c'] }, { kind: 'choices', initial: 'a b\nc' }],
    ['a value or nothing', { anyOf: [{ type: 'string', format: 'date' }, { type: 'null' }] }, { kind: 'date' }],
    ['words or nothing', { oneOf: [{ const: 'x', title: 'X' }, { const: 'y' }, { type: 'null' }] }, { kind: 'choice', entry: { options: [{ value: 'x', label: 'X' }, { value: 'y', label: 'Y' }] } }],
    ['what is said in pieces', { allOf: [{ type: 'integer' }, { minimum: 3 }, { minimum: 1, maximum: 9 }, { $ref: '#/$defs/few' }] }, { kind: 'number', rules: [{ check: { type: 'range', min: 3, max: 5 } }] }],
    ['more beside a reference', { $ref: '#/$defs/few', minimum: 2, type: 'integer' }, { kind: 'number', rules: [{ check: { type: 'range', min: 2, max: 5 } }] }],
    ['bounds of either sort', { type: 'integer', minimum: 3, exclusiveMinimum: 4, maximum: 9, exclusiveMaximum: 9 }, { rules: [{ check: { type: 'range', min: 5, max: 8 } }] }],
    ['a box that has to be ticked', { type: 'boolean', const: true }, { kind: 'yes-no', rules: [{ check: { type: 'required' } }] }],
    ['values called as what every object has', { enum: ['constructor', 'toString'], default: 'constructor' }, { kind: 'choice', initial: 'constructor' }],
    ['a single example', { type: 'string', example: 'Windgap' }, { placeholder: 'Windgap' }],
    ['anything', true, { kind: 'text' }],
    ['an expression and lengths', { type: 'string', pattern: '^[A-Z]+$', minLength: 3, maxLength: 3 }, { kind: 'pattern', entry: { pattern: '<3 latin upper>' } }],
    ['alternatives that are whole', { type: 'string', pattern: '^ab\\d+$|^cd\\d$' }, { kind: 'text', rules: [{ check: { pattern: '(?:ab\\d+|cd\\d)' } }] }],
    ['a beginning', { type: 'string', pattern: '^AB' }, { rules: [{ check: { pattern: 'AB[\\s\\S]*' } }] }],
    ['a UUID', { type: 'string', format: 'uuid' }, { kind: 'pattern' }],
    ['an IPv4 address', { type: 'string', format: 'ipv4' }, { kind: 'text', rules: [{ check: { type: 'matches' } }] }],
    ['a day with its time', { type: 'string', format: 'date-time' }, { kind: 'text', rules: [{ check: { type: 'matches' } }] }],
  ])('%s', (_, property, field) => {
    expect(from(property, { $defs: { few: { maximum: 5 } } }).fields[0]).toMatchObject(field);
  }); // biome-ignore format: a property a line

  test.each([
    [{ type: 'string', pattern: '(' }, ['a.pattern: The expression was skipped: This group is not closed. Expected ")".']],
    [{ type: 'string', not: { pattern: 'x' } }, ['a.not: “not” was not imported.']],
    [{ type: 'null' }, ['a: No field kind for values of type null; skipped.']],
    [{ const: 'v1' }, ['a: Only one value is allowed, so there is nothing to fill in; skipped.']],
    [{ enum: ['v1', 'v1'] }, ['a: Duplicate options were merged: “v1”.', 'a: Only one value is allowed, so there is nothing to fill in; skipped.']],
    [false, ['a: The schema allows no value here; skipped.']],
    [7, ['a: This is not a schema; skipped.']],
    [{ $ref: '#/properties/a' }, ['a.$ref: This reference leads back to itself; skipped.']],
    [{ oneOf: [{ format: 'email' }, { format: 'uri' }] }, ['a.oneOf: oneOf and anyOf are not supported here; skipped.']],
    [{ allOf: [{ pattern: '^a\\d$' }, { pattern: '^[ab]1$' }] }, ['a.allOf[1].pattern: Another part has its own “pattern”; this one was not imported.']],
    [{ type: ['integer', 'string'] }, ['a.type: Several types are allowed (integer, string). Imported as the first.']],
    [{ 'x-order': 3, deprecated: true, type: 'string' }, []],
    [{ writeOnly: true, type: 'string' }, ['a.writeOnly: “writeOnly” was not imported.']],
  ])('%j is told of', (property, told) => {
    expect(from(property).told).toEqual(told);
  }); // biome-ignore format: a property a line

  test('objects within are sections; what one holds of itself is left out', () => {
    const place = { type: 'object', required: ['street'], properties: { street: { type: 'string' }, geo: { type: 'object', properties: { lat: { type: 'number' } } }, again: { $ref: '#/$defs/place' } } };
    const { fields, forms, told } = from({ $ref: '#/$defs/place' }, { properties: { guest: {}, home: { $ref: '#/$defs/place', title: 'Home' } }, $defs: { place }, title: 'Stay' });
    expect(fields.map(({ id }) => id)).toEqual(['guest', 'home-street', 'home-geo-lat']);
    expect(fields[1]!.rules).toEqual([{ id: 'required', check: { type: 'required' } }]);
    expect(forms![0]).toEqual({ id: 'stay', title: 'Stay', sections: [{ fields: ['guest'] }, { title: 'Home', fields: ['home-street'] }, { title: 'Home, geo', fields: ['home-geo-lat'] }] });
    expect(told).toEqual(['home.again: Recursive reference; skipped.']);
  }); // biome-ignore format: a schema and what comes of it

  test('properties that are said in pieces are one each; what asks of several is told', () => {
    const root = {
      type: 'object',
      properties: { kind: { enum: ['a', 'b'] }, x: { type: 'string' } },
      allOf: [{ properties: { x: { maxLength: 4 }, y: {} } }, { required: ['y', 'gone'] }],
      anyOf: [{ required: ['x'] }],
    };
    const found = fromSchema(JSON.stringify(root), root);
    expect(sound(found).fields.map(({ id, kind, entry }) => [id, kind, entry])).toEqual([
      ['x', 'text', { max: 4 }],
      ['y', 'text', {}],
      ['kind', 'choice', expect.anything()],
    ]);
    expect(found.lost.map(({ where }) => where)).toEqual(['anyOf', 'required']);
  });

  test('a list is read as its entries; references without number end', () => {
    const list = { type: 'array', items: { properties: { a: { type: 'integer' } } } };
    expect(fromSchema(JSON.stringify(list), list).set.fields.map(({ id }) => id)).toEqual(['a']);
    const twice = (n: number) => ({ allOf: [{ $ref: `#/$defs/d${n}` }, { $ref: `#/$defs/d${n}` }] });
    const $defs = Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`d${i}`, twice(i + 1)]));
    const { told } = from(twice(0), { $defs });
    expect(told.at(-1)).toMatch(/Too many references/);
    expect(told.length).toBeLessThan(10);
  });

  test('export, import, export gives the same bytes', () => {
    for (const form of demo.forms!) {
      const { schema: first } = recordSchema(demo, form, kinds);
      const again = fromSchema(JSON.stringify(first), first);
      expect(again.lost).toEqual([]);
      expect(JSON.stringify(recordSchema(again.set, again.set.forms![0]!, kinds).schema)).toBe(
        JSON.stringify(first),
      );
      expect(documentText(sound(again))).toBe(documentText(again.set));
    }
  });

  test('rubbish makes a set all the same', () => {
    const value = fc.jsonValue({ maxDepth: 3 });
    const property = fc.dictionary(
      fc.constantFrom(
        'type',
        'pattern',
        'enum',
        'oneOf',
        'minimum',
        'maxLength',
        'format',
        'default',
        'items',
        '$ref',
        'allOf',
        'title',
        'examples',
      ),
      fc.oneof(value, fc.constantFrom('string', 'array', '^(', '#/properties/a', '#', 'date', ['a', 'b'])),
    );
    fc.assert(
      fc.property(fc.dictionary(fc.string(), property), fc.array(fc.string()), (properties, required) => {
        const root = { type: 'object', properties, required };
        sound(fromSchema(JSON.stringify(root), root));
      }),
      { numRuns: 300, seed },
    );
  });
});

describe('a description of an interface (OpenAPI)', () => {
  const described = {
    openapi: '3.1.0',
    info: { title: 'Ridge Huts', version: '1' },
    paths: { '/stays': {} },
    components: {
      schemas: {
        Stay: {
          type: 'object',
          required: ['hut', 'guest'],
          properties: {
            hut: { $ref: '#/components/schemas/Hut' },
            nights: { type: 'integer', minimum: 1 },
            guest: { $ref: '#/components/schemas/Guest' },
          },
        },
        Hut: { type: 'string', enum: ['windgap', 'two-tarns'] },
        Guest: {
          title: 'A guest',
          allOf: [{ type: 'object', properties: { name: { type: 'string' } }, required: ['name'] }],
          properties: { mail: { type: 'string', format: 'email' } },
        },
      },
    },
  };

  test('each object is a form, with what it refers to; what is no object is part of those', () => {
    const brought = fromSchema(JSON.stringify(described), described);
    const set = sound(brought);
    expect([brought.lost, set.title]).toEqual([[], 'Ridge Huts']);
    expect(set.forms).toEqual([
      {
        id: 'stay',
        title: 'Stay',
        sections: [{ fields: ['hut', 'nights'] }, { title: 'A guest', fields: ['guest-name', 'guest-mail'] }],
      },
      { id: 'a-guest', title: 'A guest', fields: ['name', 'mail'] },
    ]);
    expect(set.fields.find(({ id }) => id === 'hut')).toMatchObject({
      kind: 'choice',
      rules: [{ check: { type: 'required' } }],
    });
  });

  test('version 2 has them elsewhere; one without an object says so', () => {
    const older = { swagger: '2.0', definitions: described.components.schemas };
    const text = JSON.stringify(older).replaceAll('/components/schemas/', '/definitions/');
    expect(sound(fromSchema(text, JSON.parse(text))).forms?.map(({ id }) => id)).toEqual(['stay', 'a-guest']);
    const none = { openapi: '3.1.0', components: { schemas: { Hut: { type: 'string' } } } };
    const { set, lost } = fromSchema(JSON.stringify(none), none);
    expect([set.fields, lost.map(({ code }) => code)]).toEqual([[], ['no-properties']]);
  });
});

import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { recordSchema } from '../build/record-schema.ts';
import { documentText } from '../document-text.ts';
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
      odd: { type: 'string', format: 'ipv4' },
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
    expect(
      brought.lost.map(({ where, place }) => [
        where,
        source.split('\n')[(place?.line ?? 0) - 1]?.trim().split(':')[0],
      ]),
    ).toEqual(
      [
        ['loose.pattern', '"type"'],
        ['address', '"address"'],
        ['again.$ref', '"again"'],
        ['elsewhere.$ref', '"elsewhere"'],
        ['odd.format', '"odd"'],
        ['if', '"if"'],
      ].map(([where]) => [where, expect.any(String)]),
    );
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

import Ajv2020 from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { checkTypes } from '../checks/registry.ts';
import { kinds } from '../kinds/registry.ts';
import type { ListItem, Option, Options } from '../options/option.ts';
import { readDocument } from './read-document.ts';
import { documentSchema } from './schema.ts';

const isBySchema = new Ajv2020({ strict: true, allowUnionTypes: true, strictRequired: false }).compile(
  documentSchema(kinds),
);

/** Anything that might stand there by mistake. */
const rubbish = fc.constantFrom<unknown>(null, true, false, 0, 1, 2.5, -1, 400, '', ' ', 'x', 'EUR', [], ['h'], [3, 3], {}, {
  min: 1,
}); // biome-ignore format: a list

const ofItem = (
  item: ListItem | Exclude<Option, { is: 'list' | 'bounds' | 'picks' }>,
): fc.Arbitrary<unknown> => {
  switch (item.is) {
    case 'choice':
      return fc.constantFrom(...item.choices.map(([value]) => value));
    case 'whole':
      return fc.integer({ min: item.min - 1, max: item.max + 1 });
    case 'text':
      return fc.oneof(
        item.among
          ? fc.constantFrom(...item.among())
          : fc.constantFrom(
              '<3 digit>',
              '<3 dgit>',
              '/',
              ' ',
              '_',
              'kg',
              'digit',
              'export function shape(c) { return c; }',
            ),
        fc.string({ maxLength: 4 }),
      );
  }
};

const ofOption = (option: Option): fc.Arbitrary<unknown> => {
  switch (option.is) {
    case 'list':
      return fc.oneof(
        fc.array(ofItem(option.of), { maxLength: 3 }),
        ...(option.any === undefined ? [] : [fc.constant(option.any)]),
      );
    case 'picks': {
      const text = fc.oneof(
        { arbitrary: fc.constantFrom('half-board', 'Half board', 'none', 'None'), weight: 8 },
        { arbitrary: fc.constantFrom('a;b', '', ' ', 'a b'), weight: 1 },
      );
      return fc.array(fc.record({ value: text, label: text }, { requiredKeys: ['value'] }), { maxLength: 3 });
    }
    case 'bounds':
      return fc.record({ min: fc.nat(101), max: fc.nat(101) }, { requiredKeys: [] });
    default:
      return ofItem(option);
  }
};

const entryFor = (options: Options): fc.Arbitrary<unknown> =>
  fc.record(
    {
      ...Object.fromEntries(
        Object.entries(options).map(([key, option]) => [
          key,
          fc.oneof({ arbitrary: ofOption(option), weight: 12 }, { arbitrary: rubbish, weight: 1 }),
        ]),
      ),
    },
    { requiredKeys: [] },
  );

const check = fc.record(
  {
    type: fc.oneof(
      { arbitrary: fc.constantFrom(...checkTypes), weight: 20 },
      { arbitrary: rubbish, weight: 1 },
    ),
    min: fc.oneof(fc.nat(9), fc.constantFrom<unknown>('5', 'today', '08:00', 'x', 1.5, null)),
    max: fc.oneof(fc.nat(9), fc.constantFrom<unknown>('7', 'today+1d', '09:00')),
    step: fc.constantFrom<unknown>(1, '0.5', 0),
    pattern: fc.constantFrom<unknown>('\\d+', '(', 3),
    flags: fc.constantFrom<unknown>('i', 'g'),
    values: fc.constantFrom<unknown>([], ['a'], [1]),
    scheme: fc.constantFrom<unknown>('luhn', 'mod97', 'mod9'),
    rotate: fc.constantFrom<unknown>(4, 0),
    over: fc.constantFrom<unknown>('content', 'text', 'compact', 'raw', 7),
    op: fc.constantFrom<unknown>('same', 'after', 'above', 'at-most-days', 'like'),
    field: fc.constantFrom<unknown>('one', 'two', 3),
    days: fc.constantFrom<unknown>(3, -1),
    code: fc.constantFrom<unknown>('export default () => {}', ' ', 'x', 4),
    with: fc.constantFrom<unknown>([], ['one'], [2]),
    ask: fc.constantFrom<unknown>('/passes', '//elsewhere', 'passes'),
    timeout: fc.constantFrom<unknown>(500, 5),
    on: fc.constantFrom<unknown>('leave', 'pause', 'key'),
  },
  { requiredKeys: ['type'] },
);

/** One check with just what it may be told, most of the time: else hardly any would be sound. */
const known: Readonly<Record<string, readonly string[]>> = {
  length: ['min', 'max'],
  range: ['min', 'max', 'step'],
  matches: ['pattern', 'flags'],
  in: ['values'],
  'not-in': ['values'],
  checksum: ['scheme', 'over', 'rotate'],
  compare: ['op', 'field', 'days'],
  custom: ['code', 'with'],
  remote: ['ask', 'timeout', 'on', 'with'],
};
const trimmed = fc
  .tuple(check, fc.nat(9))
  .map(([all, luck]) =>
    luck === 0
      ? all
      : Object.fromEntries(
          Object.entries(all).filter(([key]) => key === 'type' || known[String(all.type)]?.includes(key)),
        ),
  );

const condition: fc.Arbitrary<unknown> = fc.constantFrom<unknown>(
  { field: 'one', is: '1' }, { field: 'two', is: [true, null] }, { all: [{ field: 'one', is: 4 }] }, { not: { any: [{ field: 'one', is: null }] } },
  { field: 'one' }, { all: [] }, { is: 1 }, { field: 'one', is: [] }, { field: 'one', is: {}, not: {} }, 'one',
); // biome-ignore format: a list

const rule = fc.record(
  {
    id: fc.constantFrom<unknown>('a', 'b', '1', ''),
    check: trimmed,
    say: fc.constantFrom<unknown>(
      'No.',
      ' ',
      'At least {min}',
      4,
      { by: 'min', one: 'One.', other: 'More.' },
      { by: 'min' },
      { by: 1, other: 'x' },
      { by: 'max', other: ' ' },
    ),
    code: fc.constantFrom<unknown>('custom-code', 'two words'),
    show: fc.constantFrom<unknown>('at-once', 'leave', 'later'),
    severity: fc.constantFrom<unknown>('warning', 'bad'),
    when: condition,
    refused: fc.constantFrom<unknown>('clear', 'keep', 'burn'),
    samples: fc.constantFrom<unknown>({ pass: ['1'], fail: [] }, { pass: '1' }, { good: [] }),
  },
  { requiredKeys: ['id', 'check'] },
);

const field = fc.constantFrom(...(Object.keys(kinds) as (keyof typeof kinds)[])).chain((kind) =>
  fc.record(
    {
      id: fc.constantFrom<unknown>('one', 'two', '-'),
      kind: fc.constant(kind),
      label: fc.constantFrom<unknown>('A field', 'A field', ''),
      hint: fc.constantFrom<unknown>('', 'Hint', 3),
      messages: fc.constantFrom<unknown>('all', 'some'),
      locale: fc.constantFrom<unknown>('de-CH', 'xx-YY-ZZ', 'not a tag'),
      entry: entryFor(kinds[kind].define.options),
      html: fc.constantFrom<unknown>({}, { inputmode: 'numeric' }, { onclick: 'x' }, { title: 3 }),
      rules: fc.array(rule, { maxLength: 2 }),
      when: condition,
    },
    { requiredKeys: ['id', 'kind', 'label'] },
  ),
);

const document = fc.record(
  {
    // Of an older version the reader makes the current one first, which the schema does not.
    arbeit: fc.oneof(
      { arbitrary: fc.constant<unknown>(2), weight: 20 },
      { arbitrary: rubbish.filter((value) => value !== 1), weight: 1 },
    ),
    title: fc.constant('Huts'),
    locale: fc.constant('en-GB'),
    fields: fc.array(field, { maxLength: 2 }),
    texts: fc.constantFrom<unknown>(
      {}, { de: { 'fields/one/label': 'Eins' } }, { de: { 'one/label': 'x' } }, { de: { 'fields/one/label': ' ' } }, { 'not a tag': {} }, [], { de: [] },
      { fr: { 'fields/one/rules/a': { by: 'min', one: 'un', other: 'plus' } } }, { fr: { 'fields/one/rules/a': { one: 'un' } } }, { 'xx-YY-ZZ': {} },
    ), // biome-ignore format: a list
    forms: fc.constantFrom<unknown>(
      [],
      [{ id: 'f', fields: ['one'] }],
      [{ id: 'f', fields: ['one', 'one'] }],
      [{}],
      [
        {
          id: 'f',
          sections: [{ title: 'A', columns: 2, fields: ['one'] }, { fields: [] }],
          submit: 'when-ready',
        },
      ],
      [{ id: 'f', sections: [{ columns: 3, fields: ['one'] }] }],
      [{ id: 'f', fields: ['one'], sections: [] }],
      [{ id: 'f', fields: ['one', 'two'], completes: 'two', unanswered: 'let-through' }],
      [{ id: 'f', fields: ['one'], submit: 'never' }],
      [
        {
          id: 'f',
          fields: ['one', 'two'],
          rules: [{ id: 'r', field: 'one', check: { type: 'compare', op: 'differs', field: 'two' } }],
        },
      ],
      [{ id: 'f', fields: ['one'], rules: [{ id: 'r', check: { type: 'required' } }] }],
    ),
  },
  { requiredKeys: ['arbeit', 'title', 'locale', 'fields'] },
);

/** Codes of what no schema can say: the list in the head of `schema.ts`. */
const beyond: ReadonlySet<string> = new Set([
  // What is named elsewhere in the document, or only once.
  'duplicate-id', 'unknown-field', 'field-not-in-form', 'needed-field-not-in-form', 'circular-condition', 'unknown-bare-unit',
  // Languages of the platform.
  'invalid-language', 'unknown-language', 'unknown-locale',
  // Two values that belong together.
  'max-below-min', 'min-above-max', 'max-above-options', 'groups-sum', 'step-not-positive', 'same-labels', 'conceal-lines', 'no-range', 'one-class',
  // Options beside each other.
  'duplicate-offer-value', 'duplicate-offer-label', 'ambiguous-offer-label', 'ambiguous-label',
  // Texts with placeholders and plural forms.
  'unknown-placeholder', 'unknown-plural-number', 'no-plural-number',
  // Values of fields.
  'invalid-limit', 'invalid-initial', 'impossible-value', 'invalid-filler',
  // Patterns and code.
  'list-with-positions', 'list-too-large', 'pattern-never-used', 'too-many-cells', 'no-default-export',
  // Comparisons.
  'compared-with-itself', 'not-comparable', 'not-comparable-kind',
]); // biome-ignore format: a line for each reason
/** Faults inside a text in a language of its own are told at their column. */
const isBeyond = ({ code, column }: { readonly code: string; readonly column?: number }): boolean =>
  column !== undefined || beyond.has(code);

test('the schema takes and refuses what the reader does, but for what no schema can say', () => {
  const seen = { sound: 0, refused: 0, beyond: 0 };
  fc.assert(
    fc.property(document, (json) => {
      // As it would come from a file: nothing undefined in it.
      const given = JSON.parse(JSON.stringify(json));
      const result = readDocument(given, kinds);
      const isShaped = isBySchema(given);
      if (result.ok) {
        seen.sound++;
        expect(isShaped, JSON.stringify(isBySchema.errors)).toBe(true);
      } else if (isShaped) {
        seen.beyond++;
        expect(result.faults.filter((fault) => !isBeyond(fault))).toEqual([]);
      } else seen.refused++;
    }),
    { numRuns: 6000 },
  );
  // Of each sort enough to have meant something.
  expect(Math.min(seen.sound, seen.refused, seen.beyond), JSON.stringify(seen)).toBeGreaterThan(100);
});

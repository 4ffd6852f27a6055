import { readFileSync } from 'node:fs';
import { compile, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { type HydratedForm, jsonRecord, serverForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { jsonTypesOf } from './json-record.ts';
import { recordSchema } from './record-schema.ts';

const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
const records = Number(process.env.ARBEIT_RUNS ?? (process.env.ARBEIT_LONG ? 10_000 : 3000));
const today = '2027-02-10';
const demo = JSON.parse(
  readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;

/** A set whose rules are all such as a schema can say. */
const sayable = {
  arbeit: 2,
  title: 'Passes',
  locale: 'en-GB',
  classes: { hex: '0-9A-F' },
  fields: [
    { id: 'pass', kind: 'pattern', label: 'Pass', entry: { pattern: '<2 latin upper>-<4 digit>/<2 hex upper>', raw: 'text' }, rules: [{ id: 'needed', check: { type: 'required' } }, { id: 'gone', check: { type: 'not-in', values: ['RH-0000/00'] } }] },
    { id: 'hour', kind: 'pattern', label: 'Hour', entry: { pattern: '<00..23>:<00..59>' }, rules: [{ id: 'even', check: { type: 'matches', pattern: '\\d{3}[02468]' } }] },
    { id: 'ext', kind: 'pattern', label: 'Telephone', entry: { pattern: '<4 digit><? ext. <1-3 digit>>', raw: 'text' } },
    { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 }, rules: [{ id: 'few', check: { type: 'in', values: ['1357', '2468'] } }] },
    { id: 'nights', kind: 'number', label: 'Nights', entry: {}, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'price', kind: 'currency', label: 'Price', entry: { currency: 'GBP', negative: 'minus' } },
    { id: 'from', kind: 'date', label: 'From', entry: {} },
    { id: 'at', kind: 'time', label: 'At', entry: { clock: 24 } },
    { id: 'walk', kind: 'duration', label: 'Walk', entry: { units: ['min'] } },
    { id: 'hut', kind: 'choice', label: 'Hut', entry: { options: [{ value: 'a', label: 'Hut A' }, { value: 'b', label: 'Hut B' }] } },
    { id: 'extras', kind: 'choices', label: 'Extras', entry: { options: [{ value: 'w', label: 'Wood' }, { value: 's', label: 'Sauna' }, { value: 't', label: 'Tea' }], count: { max: 2 } } },
    { id: 'dog', kind: 'yes-no', label: 'Dog', entry: { draw: 'radio' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'terms', kind: 'yes-no', label: 'Terms', entry: { draw: 'tick' } },
    { id: 'agreed', kind: 'yes-no', label: 'Agreed', entry: { draw: 'tick' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'collar', kind: 'one-time-code', label: 'Collar', entry: { length: 3 }, when: { field: 'dog', is: true }, rules: [{ id: 'needed', check: { type: 'required' } }, { id: 'long', check: { type: 'length', max: 3 } }] },
  ],
  forms: [{ id: 'stay', title: 'Stay', fields: ['pass', 'hour', 'ext', 'pin', 'nights', 'price', 'from', 'at', 'walk', 'hut', 'extras', 'dog', 'terms', 'agreed', 'collar'] }],
} as unknown as SetDocument; // biome-ignore format: a field a line

/** Texts that have something to do with each kind: whole values, some right, some nearly. */
const texts: Readonly<Record<string, readonly string[]>> = {
  phone: ['+447700900123', '+447700900999', '+442079460958', '07700900123', '+4477009001'],
  text: ['guest@huts.example', 'Biscuit', 'no place', ' x ', 'REX'],
  currency: ['100.00', '20.50', '20.25', '1234.5', '5.00', '-3.00', '-0.00', '100'],
  number: ['4', '24', '25', '0', '1.5', '07', '-1'],
  percent: ['5', '12.5', '30', '12.55'],
  date: ['2027-02-14', '2027-02-20', '2027-02-30', '2028-02-29', '2027-02-29', '14/02/2027', '0000-01-01'],
  time: ['12:30', '19:30', '20:00', '24:00', '9:00'],
  duration: ['90', '5', '600', '0', '12345', '1 h'],
  pattern: ['RH1234AB5', 'RH-0042-WM6', 'AB-1234/FF', 'RH-0000/00', 'AB-1234/GG', '1234', '2330', '2331', '2399', '1234 ext. 56', '1234 ext. ', '555'],
  pin: ['1357', '2468', '1111', '135', '13a7'],
  'one-time-code': ['123', '123456', '12345', '1234567'],
  choice: ['a', 'b', 'c', 'windgap', 'two-tarns', 'none'],
  choices: ['w', 's w', 'w s', 'w t', 'w s t', 'blanket', 'blanket wood', 'wood blanket', 'x'],
  'yes-no': ['yes', 'no', 'maybe', 'Yes'],
}; // biome-ignore format: a kind a line

/** Records that are right, of each form: with everything in it, and with what is needed alone. */
const right: Readonly<Record<string, readonly Record<string, string | null>[]>> = {
  stay: [
    { pass: 'AB-1234/FF', hour: '2330', ext: '1234 ext. 56', pin: '1357', nights: '4', price: '-3.00', from: '2028-02-29', at: '12:30', walk: '90', hut: 'a', extras: 'w t', dog: 'yes', terms: 'yes', agreed: 'yes', collar: '123' },
    { pass: 'AB-1234/FF', hour: null, ext: '1234', pin: null, nights: '24', price: null, from: null, at: null, walk: null, hut: null, extras: null, dog: 'no', terms: 'no', agreed: 'yes' },
  ],
  booking: [
    { mobile: '+447700900123', email: 'guest@huts.example', party: '4', 'hut-pass': 'AB-1234/FF', arrival: '2027-02-14', departure: '2027-02-20', expected: '12:30', 'walk-in': '90', hut: 'windgap', deposit: '100.00', dog: 'yes', 'dog-name': 'Biscuit', extras: 'blanket wood', remarks: 'Biscuit' },
    { mobile: '+447700900123', email: null, party: null, 'hut-pass': null, arrival: '2027-02-14', departure: null, expected: null, 'walk-in': null, hut: 'two-tarns', deposit: '20.50', dog: 'no', extras: null, remarks: null },
  ],
  change: [{ mobile: '+447700900123', arrival: '2027-02-14', departure: '2027-02-20', 'change-code': '123456' }],
}; // biome-ignore format: a record a line

/**
 * Random records: right ones with a field or two emptied, left out, written otherwise, taken from another
 * kind, or of no form at all.
 */
function recordFor(set: SetDocument, form: string): fc.Arbitrary<Record<string, string | null>> {
  const every = Object.values(texts).flat();
  const own = fieldIdsOf(set.forms!.find(({ id }) => id === form)!);
  const change = fc.constantFrom(...own, 'other').chain((id) => {
    const kind = set.fields.find((field) => field.id === id)?.kind ?? 'text';
    const value = fc.oneof(
      { arbitrary: fc.constantFrom<(string | null | undefined)[]>(...texts[kind]!), weight: 8 },
      { arbitrary: fc.constantFrom(null, undefined, ''), weight: 3 },
      { arbitrary: fc.constantFrom(...every), weight: 2 },
    );
    return value.map((to) => [id, to] as const);
  });
  return fc
    .tuple(fc.constantFrom(...right[form]!), fc.array(change, { maxLength: 3 }))
    .map(([record, changes]) => {
      const made: Record<string, string | null> = { ...record };
      for (const [id, to] of changes)
        if (to === undefined) delete made[id];
        else made[id] = to;
      return made;
    });
}

const answering = async () => ({ verdict: 'pass' }) as const;

for (const [set, formId, isExact] of [
  [sayable, 'stay', true],
  [demo, 'booking', false],
  [demo, 'change', false],
] as const)
  test(`the schema of "${formId}" accepts ${isExact ? 'exactly' : 'every one of'} the records its server accepts`, async () => {
    const form = set.forms!.find(({ id }) => id === formId)!;
    const { schema, unsaid } = recordSchema(set, form, kinds);
    if (isExact) expect(unsaid).toEqual([]);
    const accepts = new Ajv2020({ strict: false }).compile(schema as object);
    const open = compile(set, kinds).forms.find(({ id }) => id === formId) as HydratedForm;
    const server = serverForm(open);
    const labels = (ids: readonly string[]): readonly string[] =>
      ids.map((id) => open.fields.find((field) => field.id === id)?.label ?? id);
    const found = { accepted: 0, refused: 0 };
    await fc.assert(
      fc.asyncProperty(recordFor(set, formId), async (record) => {
        const checked = await server.check(record, { today, ask: answering });
        // What is written another way than the form sends it the server reads as well: it is another record.
        const isSent =
          checked.ok && JSON.stringify(sorted(checked.record.values)) === JSON.stringify(sorted(record));
        const isAccepted = accepts(record);
        if (isSent) {
          found.accepted++;
          expect([isAccepted, accepts.errors]).toEqual([true, null]);
        } else if (isAccepted) {
          expect([isExact, record]).toEqual([false, record]);
          // Refused, or read as something else than it says: the fields that are about have something a
          // schema cannot say.
          const about = checked.ok
            ? Object.entries(checked.record.values).flatMap(([id, value]) =>
                value === record[id] ? [] : [id],
              )
            : checked.findings.map(({ field }) => field);
          for (const label of labels(about))
            expect(
              unsaid.some((line) => line.startsWith(`${label}: `)),
              `${label}, ${unsaid}`,
            ).toBe(true);
        } else found.refused++;
      }),
      // The whole number where both sides are to be the same; where one says more, fewer tell as much.
      { numRuns: isExact ? records : records / 4, seed },
    );
    // Both were met, and not by a hair.
    expect(Math.min(found.accepted, found.refused)).toBeGreaterThan(records / 800);
  });

const sorted = (values: Readonly<Record<string, string | null | undefined>>) =>
  Object.fromEntries(Object.entries(values).sort(([a], [b]) => (a < b ? -1 : 1)));

for (const [set, formId] of [
  [sayable, 'stay'],
  [demo, 'booking'],
  [demo, 'change'],
] as const)
  test(`a record of "${formId}" spelled as JSON says the same to its server, and its schema accepts it`, async () => {
    const form = set.forms!.find(({ id }) => id === formId)!;
    const { schema, unsaid } = recordSchema(set, form, kinds, 'json');
    const accepts = new Ajv2020({ strict: false }).compile(schema as object);
    const open = compile(set, kinds).forms.find(({ id }) => id === formId) as HydratedForm;
    const server = serverForm(open);
    const types = jsonTypesOf(open);
    const found = { accepted: 0, refused: 0, spelled: 0 };
    await fc.assert(
      fc.asyncProperty(recordFor(set, formId), async (record) => {
        const checked = await server.check(record, { today, ask: answering });
        if (checked.ok) {
          const { values } = checked.record;
          const spelled = JSON.parse(JSON.stringify(jsonRecord(types, values)));
          found.accepted++;
          found.spelled += Object.values(spelled).filter(
            (one) => typeof one !== 'string' && one !== null,
          ).length;
          expect([accepts(spelled), accepts.errors]).toEqual([true, null]);
          const again = await server.check(spelled, { today, ask: answering });
          expect(again.ok && again.record.values).toEqual(values);
          return;
        }
        // What the server refuses the schema refuses too, or the README says that it cannot.
        const spelled = JSON.parse(JSON.stringify(jsonRecord(types, record)));
        if (!accepts(spelled)) {
          found.refused++;
          return;
        }
        for (const { field } of checked.findings) {
          const label = open.fields.find(({ id }) => id === field)?.label ?? field;
          expect(
            unsaid.some((line) => line.startsWith(`${label}: `)),
            `${label}, ${unsaid}`,
          ).toBe(true);
        }
      }),
      { numRuns: records / 10, seed },
    );
    expect(Math.min(found.accepted, found.refused)).toBeGreaterThan(records / 800);
    if (formId !== 'change') expect(found.spelled).toBeGreaterThan(found.accepted);
  });

test('the schema of numbers in JSON has the strictest limits, and texts where an exponent would be written', () => {
  const range = (id: string, limits: object) => ({ id, check: { type: 'range', ...limits } });
  const set = {
    arbeit: 2,
    title: 'Numbers',
    locale: 'en-GB',
    fields: [
      { id: 'beds', kind: 'number', label: 'Beds', entry: {}, rules: [range('a', { min: 2, max: 8 }), range('b', { min: 1, max: 12 })] },
      { id: 'share', kind: 'number', label: 'Share', entry: { decimals: { max: 8 } }, rules: [range('a', { min: 0, max: 1 })] },
      { id: 'any', kind: 'number', label: 'Any', entry: {} },
    ],
    forms: [{ id: 'all', fields: ['beds', 'share', 'any'] }],
  } as unknown as SetDocument; // biome-ignore format: a field a line
  const { schema } = recordSchema(set, set.forms![0]!, kinds, 'json');
  expect(schema.properties).toMatchObject({
    beds: { type: ['integer', 'null'], minimum: 2, maximum: 8 },
    share: { type: ['number', 'string', 'null'] },
    any: { type: ['integer', 'string', 'null'] },
  });
  const accepts = new Ajv2020({ strict: false }).compile(schema as object);
  const open = compile(set, kinds).forms[0] as HydratedForm;
  const values = { beds: '4', share: '0.00000001', any: '12345678901234567' };
  const spelled = jsonRecord(jsonTypesOf(open), values);
  expect([spelled, accepts(spelled), accepts.errors]).toEqual([{ ...values, beds: 4 }, true, null]);
});

test('a schema has every field’s words, and the definitions it was made of', () => {
  const [form] = demo.forms!;
  const { schema } = recordSchema(demo, form!, kinds);
  expect(schema).toMatchObject({
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Booking',
    additionalProperties: false,
    properties: {
      hut: { title: 'Hut', type: 'string', enum: ['windgap', 'two-tarns', 'larch-shelf'] },
      email: { description: 'For the confirmation.', type: ['string', 'null'] },
    },
    'x-arbeit': { title: 'Ridge Huts' },
  });
  expect((schema.required as string[]).includes('dog-name')).toBe(false);
});

import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import { describe, expect, test } from 'vitest';
import { mostFaults } from '../faults/limits.ts';
import { kinds } from '../kinds/registry.ts';
import type { SetDocument } from './document.ts';
import { readDocument } from './read-document.ts';
import { documentSchema } from './schema.ts';

const demo = readFileSync(
  new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url),
  'utf8',
);
const schema = documentSchema(kinds);
const isBySchema = new Ajv2020({ strict: true, allowUnionTypes: true, strictRequired: false }).compile(
  schema,
);

const field = { id: 'pass', kind: 'pattern', label: 'Pass', entry: { pattern: '<4 digit>' } };
const set = { arbeit: 2, title: 'Huts', locale: 'en-GB', fields: [field] };
const withField = (more: object) => ({ ...set, fields: [{ ...field, ...more }] });
const withRule = (check: object, more: object = {}) => withField({ rules: [{ id: 'r', check, ...more }] });

/** Entries of each kind that say as much as can be said. */
const entries: Readonly<Record<string, readonly object[]>> = {
  text: [{}, { trim: false, collapse: true, case: 'upper', max: 10 }],
  number: [
    {},
    {
      unit: 'kilogram',
      decimals: { min: 1, max: 3 },
      negative: 'minus',
      grouping: 'never',
      fill: 'right',
      pad: false,
    },
  ],
  currency: [{ currency: 'CLF' }, { currency: 'KWD', sign: 'code', negative: 'parentheses' }],
  percent: [{ decimals: { max: 2 } }],
  date: [{}, { order: 'ymd', separator: ' / ', resting: 'full', pivot: 30 }],
  time: [{}, { clock: 12, seconds: true }],
  duration: [{}, { units: ['min'] }, { units: ['h', 'min'], bare: 'h' }],
  phone: [
    { home: 'GB' },
    { home: 'CH', regions: ['CH', 'LI'], style: 'international', types: ['mobile'], extension: true },
    { home: 'US', regions: 'any' },
  ],
  pin: [{}, { length: 12, accept: 'alnum', conceal: false }],
  'one-time-code': [{}, { length: 8, groups: [4, 4] }],
};

const faultsOf = (json: unknown) => {
  const result = readDocument(json, kinds);
  return result.ok ? [] : result.faults;
};

test('the schema that is served and linked is the one the kinds describe', async () => {
  const text = `${JSON.stringify(schema, null, 2)}\n`;
  await expect(text).toMatchFileSnapshot('./document.schema.json');
});

test('the demo is whole, and the schema agrees', () => {
  const result = readDocument(JSON.parse(demo), kinds);
  expect(result.ok).toBe(true);
  expect(isBySchema(JSON.parse(demo)), JSON.stringify(isBySchema.errors)).toBe(true);
});

/** What is wrong with it, the path it is told at; `shape` where the schema can see it as well. */
describe('one fault each', () => {
  test.each<[string, unknown, string, 'shape' | 'sense']>([
    ['not an object', [], '$', 'shape'],
    ['no title', { arbeit: 2, locale: 'en', fields: [] }, '$.title', 'shape'],
    ['an empty title', { ...set, title: ' ' }, '$.title', 'shape'],
    ['another version', { ...set, arbeit: 3 }, '$.arbeit', 'shape'],
    ['no language tag', { ...set, locale: 'English please' }, '$.locale', 'shape'],
    ['a misspelt name', { ...set, feilds: [] }, '$.feilds', 'shape'],
    ['fields that are no list', { ...set, fields: {} }, '$.fields', 'shape'],
    ['an unknown kind', withField({ kind: 'colour' }), '$.fields[0].kind', 'shape'],
    [
      'a field without a label',
      { ...set, fields: [{ id: 'a', kind: 'pattern', entry: { pattern: '<digit>' } }] },
      '$.fields[0].label',
      'shape',
    ],
    ['a bad id', withField({ id: '4711' }), '$.fields[0].id', 'shape'],
    ['an id used twice', { ...set, fields: [field, field] }, '$.fields[1].id', 'sense'],
    [
      'a pattern with a fault',
      withField({ entry: { pattern: '<4 digt>' } }),
      '$.fields[0].entry.pattern',
      'sense',
    ],
    [
      'an unknown option',
      withField({ entry: { pattern: '<digit>', positions: 'float' } }),
      '$.fields[0].entry.positions',
      'shape',
    ],
    [
      'a filler of two signs',
      withField({ entry: { pattern: '<digit>', filler: '__' } }),
      '$.fields[0].entry.filler',
      'sense',
    ],
    ['a class with a range backwards', { ...set, classes: { odd: 'z-a' } }, '$.classes.odd', 'sense'],
    ['a class named like a built-in', { ...set, classes: { digit: '0-9' } }, '$.classes.digit', 'sense'],
    [
      'an event handler as attribute',
      withField({ html: { onclick: 'x' } }),
      '$.fields[0].html.onclick',
      'shape',
    ],
    [
      'an attribute that is a number',
      withField({ html: { maxlength: 4 } }),
      '$.fields[0].html.maxlength',
      'shape',
    ],
    ['an unknown check', withRule({ type: 'prime' }), '$.fields[0].rules[0].check.type', 'shape'],
    ['a check without a type', withRule({}), '$.fields[0].rules[0].check.type', 'shape'],
    ['a length without bounds', withRule({ type: 'length' }), '$.fields[0].rules[0].check', 'shape'],
    [
      'a length upside down',
      withRule({ type: 'length', min: 4, max: 2 }),
      '$.fields[0].rules[0].check.max',
      'sense',
    ],
    [
      'an expression with a fault',
      withRule({ type: 'matches', pattern: '(a' }),
      '$.fields[0].rules[0].check.pattern',
      'sense',
    ],
    ['no values', withRule({ type: 'in', values: [] }), '$.fields[0].rules[0].check.values', 'shape'],
    [
      'an unknown scheme',
      withRule({ type: 'checksum', scheme: 'mod12' }),
      '$.fields[0].rules[0].check.scheme',
      'shape',
    ],
    [
      'an unknown moment',
      withRule({ type: 'required' }, { show: 'blur' }),
      '$.fields[0].rules[0].show',
      'shape',
    ],
    [
      'a form with an unknown field',
      { ...set, forms: [{ id: 'f', fields: ['pas'] }] },
      '$.forms[0].fields[0]',
      'sense',
    ],
    [
      'a form with a field twice',
      { ...set, forms: [{ id: 'f', fields: ['pass', 'pass'] }] },
      '$.forms[0].fields[1]',
      'shape',
    ],
  ])('%s', (_, json, path, seenBy) => {
    expect(faultsOf(json).map((fault) => fault.path)).toEqual([path]);
    expect(isBySchema(json)).toBe(seenBy === 'sense');
  });

  const withKind = (kind: string, entry: object, check?: object) => ({
    ...set,
    fields: [{ id: 'f', kind, label: 'F', entry, ...(check ? { rules: [{ id: 'r', check }] } : {}) }],
  });
  const entry = '$.fields[0].entry';
  const check = '$.fields[0].rules[0].check';
  test.each<[string, unknown, string, 'shape' | 'sense']>([
    ['a currency nobody has', withKind('currency', { currency: 'QQQ' }), `${entry}.currency`, 'sense'],
    ['money without a currency', withKind('currency', {}), `${entry}.currency`, 'shape'],
    ['a currency on a number', withKind('number', { currency: 'EUR' }), `${entry}.currency`, 'shape'],
    [
      'decimals upside down',
      withKind('number', { decimals: { min: 3, max: 1 } }),
      `${entry}.decimals.max`,
      'sense',
    ],
    ['too many decimals', withKind('percent', { decimals: { max: 1000 } }), `${entry}.decimals.max`, 'shape'],
    ['a unit with a digit', withKind('number', { unit: 'm2' }), `${entry}.unit`, 'shape'],
    ['a way to fill there is not', withKind('number', { fill: 'middle' }), `${entry}.fill`, 'shape'],
    [
      'a concealed text of several lines',
      withKind('text', { conceal: true, lines: 3 }),
      `${entry}.conceal`,
      'sense',
    ],
    ['an order there is not', withKind('date', { order: 'ydm' }), `${entry}.order`, 'shape'],
    ['a letter as separator', withKind('date', { separator: 'x' }), `${entry}.separator`, 'shape'],
    ['a clock of ten hours', withKind('time', { clock: 10 }), `${entry}.clock`, 'shape'],
    ['seconds that are no yes or no', withKind('time', { seconds: 'yes' }), `${entry}.seconds`, 'shape'],
    ['units the wrong way round', withKind('duration', { units: ['min', 'h'] }), `${entry}.units`, 'shape'],
    ['a home that is no region', withKind('phone', { home: 'QQ' }), `${entry}.home`, 'shape'],
    ['a telephone without a home', withKind('phone', {}), `${entry}.home`, 'shape'],
    ['no region at all', withKind('phone', { home: 'GB', regions: [] }), `${entry}.regions`, 'shape'],
    [
      'a type of telephone there is not',
      withKind('phone', { home: 'GB', types: ['fax'] }),
      `${entry}.types[0]`,
      'shape',
    ],
    [
      'a unit the field does not show',
      withKind('duration', { units: ['min'], bare: 'h' }),
      `${entry}.bare`,
      'sense',
    ],
    [
      'limits upside down',
      withKind('number', {}, { type: 'range', min: '10', max: 9.5 }),
      `${check}.min`,
      'sense',
    ],
    [
      'days upside down',
      withKind('date', {}, { type: 'range', min: '2027-03-01', max: '2027-02-28' }),
      `${check}.min`,
      'sense',
    ],
    [
      'days by the clock upside down',
      withKind('date', {}, { type: 'range', min: 'today+2w', max: 'today+13d' }),
      `${check}.min`,
      'sense',
    ],
    [
      'times upside down',
      withKind('time', {}, { type: 'range', min: '18:00', max: '08:00' }),
      `${check}.min`,
      'sense',
    ],
    ['a length of a date', withKind('date', {}, { type: 'length', min: 8 }), `${check}.type`, 'shape'],
    [
      'check characters of an amount',
      withKind('currency', { currency: 'EUR' }, { type: 'checksum', scheme: 'luhn' }),
      `${check}.type`,
      'shape',
    ],
    [
      'a rotation by nothing',
      withRule({ type: 'checksum', scheme: 'mod97', rotate: 0 }),
      `${check}.rotate`,
      'shape',
    ],
    ['a locale nobody knows', { ...set, locale: 'xx-QQ' }, '$.locale', 'sense'],
    ['an empty label', withField({ label: ' ' }), '$.fields[0].label', 'shape'],
    [
      'data that no length has',
      withRule({ type: 'length', min: 2 }, { say: 'At least {mn}.' }),
      '$.fields[0].rules[0].say',
      'sense',
    ],
    [
      'data of another check',
      withRule({ type: 'required' }, { say: '{label}, {min}' }),
      '$.fields[0].rules[0].say',
      'sense',
    ],
    [
      'an initial value with a letter too many',
      withField({ initial: '12x4' }),
      '$.fields[0].initial',
      'sense',
    ],
    [
      'an initial value of nothing that fits',
      { ...set, fields: [{ id: 'f', kind: 'date', label: 'F', initial: 'soon' }] },
      '$.fields[0].initial',
      'sense',
    ],
    [
      'a pattern without its entry',
      { ...set, fields: [{ id: 'a', kind: 'pattern', label: 'A' }] },
      '$.fields[0].entry',
      'shape',
    ],
    ['where a form goes', withField({ html: { formaction: '/' } }), '$.fields[0].html.formaction', 'shape'],
    [
      'what React takes for children',
      withField({ html: { children: 'x' } }),
      '$.fields[0].html.children',
      'shape',
    ],
    ['a name', withField({ html: { name: 'x' } }), '$.fields[0].html.name', 'shape'],
    ['two boxes', withKind('pin', { length: 2 }), `${entry}.length`, 'shape'],
    [
      'groups that do not add up',
      withKind('one-time-code', { length: 6, groups: [3, 4] }),
      `${entry}.groups`,
      'sense',
    ],
    ['groups of a PIN', withKind('pin', { groups: [2, 2] }), `${entry}.groups`, 'shape'],
    ['no room for text', withKind('text', { max: 0 }), `${entry}.max`, 'shape'],
    ['a range of text', withKind('text', {}, { type: 'range', min: 1 }), `${check}.type`, 'shape'],
    ['a range of nothing', withKind('number', {}, { type: 'range' }), check, 'shape'],
    [
      'a limit that is no decimal',
      withKind('number', {}, { type: 'range', min: '1,5' }),
      `${check}.min`,
      'sense',
    ],
    [
      'a limit that is no date',
      withKind('date', {}, { type: 'range', max: '30/02/2027' }),
      `${check}.max`,
      'sense',
    ],
    [
      'a day that is none',
      withKind('date', {}, { type: 'range', max: '2027-02-30' }),
      `${check}.max`,
      'sense',
    ],
    [
      'a relative limit misspelt',
      withKind('date', {}, { type: 'range', min: 'today + 1d' }),
      `${check}.min`,
      'sense',
    ],
    ['a step of a date', withKind('date', {}, { type: 'range', step: 1 }), `${check}.step`, 'shape'],
    ['a step of nothing', withKind('number', {}, { type: 'range', step: 0 }), `${check}.step`, 'sense'],
    ['a time past midnight', withKind('time', {}, { type: 'range', max: '24:30' }), `${check}.max`, 'sense'],
    ['a locale that is not well-formed', { ...set, locale: 'en-GB-GB' }, '$.locale', 'sense'],
  ])('%s', (_, json, path, seenBy) => {
    expect(faultsOf(json).map((fault) => fault.path)).toEqual([path]);
    expect(isBySchema(json)).toBe(seenBy === 'sense');
  });

  test.each(Object.entries(entries))('whatever is sound for %s passes both', (kind, entries) => {
    for (const entry of entries) {
      expect(faultsOf(withKind(kind, entry))).toEqual([]);
      expect(isBySchema(withKind(kind, entry)), JSON.stringify(isBySchema.errors)).toBe(true);
    }
  });

  test('every fault is told, with a way out where there is a likely one', () => {
    const json = {
      ...set,
      locale: 7,
      fields: [
        { ...field, kind: 'patern', hnt: '' },
        { ...field, id: 'two', entry: { pattern: '<2 latn>' } },
      ],
    };
    expect(faultsOf(json)).toEqual([
      expect.objectContaining({ path: '$.locale' }),
      expect.objectContaining({ path: '$.fields[0].hnt', suggestion: 'hint' }),
      expect.objectContaining({ path: '$.fields[0].kind', suggestion: 'pattern' }),
      expect.objectContaining({ path: '$.fields[1].entry.pattern', column: 4, suggestion: 'latin' }),
    ]);
  });

  test('of very many faults the first are told and the rest counted', () => {
    const fields = Array.from({ length: 80 }, (_, i) => ({ ...field, id: `f${i}`, label: '' }));
    const faults = faultsOf({ ...set, fields });
    expect(faults).toHaveLength(mostFaults + 1);
    expect(faults.at(-1)).toEqual({ path: '$', code: 'more-errors', message: '…and 30 more errors.' });
  });
});

test('an entry of usual values may be left out', () => {
  for (const kind of ['text', 'number', 'percent', 'date', 'time', 'duration', 'pin', 'one-time-code']) {
    const bare = { ...set, fields: [{ id: 'f', kind, label: 'F' }] };
    const result = readDocument(bare, kinds);
    expect(result.ok && result.document.fields[0]!.entry).toEqual({});
    expect(isBySchema(bare)).toBe(true);
  }
});

test('a checked document is handed on as it was', () => {
  const result = readDocument(set, kinds);
  expect(result.ok && (result.document as SetDocument)).toBe(set);
});

test('what goes inwards without end is refused by its place, not by a stack that overflows', () => {
  let when: object = { field: 'pass', is: '1' };
  for (let i = 0; i < 50_000; i++) when = { not: when };
  expect(readDocument(withField({ when }), kinds)).toEqual({
    ok: false,
    faults: [{ path: '$.fields[0].when', code: 'too-deep', message: expect.stringContaining('200 levels') }],
  });
  let near: object = { field: 'pass', is: '1' };
  for (let i = 0; i < 90; i++) near = { all: [near] };
  const result = readDocument(withField({ when: near }), kinds);
  expect(result.ok ? '' : result.faults[0]?.message).not.toMatch(/deep/);
});

describe('trials', () => {
  const withTrials = (...trials: object[]) => ({ ...set, trials });
  const faults = (...trials: object[]) => {
    const result = readDocument(withTrials(...trials), kinds);
    return result.ok ? [] : result.faults;
  };
  const good = { id: 'a', name: 'A', why: 'Because.', tape: 'field pass\ntype "1"\nexpect display "1"' };
  test('are tapes that expect something, of fields that are there or not yet', () => {
    expect(faults(good, { id: 'b', tape: 'form none\nexpect codes none' })).toEqual([]);
    expect(isBySchema(withTrials(good))).toBe(true);
  });
  test.each<[string, object, string, RegExp]>([
    [
      'expects nothing',
      { ...good, tape: 'field pass\ntype "1"' },
      '$.trials[0].tape',
      /no expectations.*Add a line/,
    ],
    ['has no tape', { id: 'a' }, '$.trials[0].tape', /missing/],
    ['has an empty name', { ...good, name: ' ' }, '$.trials[0].name', /./],
    ['is more than a trial', { ...good, tapes: '' }, '$.trials[0].tapes', /Unknown property "tapes"/],
    ['has no id that is one', { ...good, id: '1 a' }, '$.trials[0].id', /./],
  ])('one that %s is refused with the reason', (_, trial, path, message) => {
    expect(faults(trial)).toEqual([
      expect.objectContaining({ path, message: expect.stringMatching(message) }),
    ]);
    expect(isBySchema(withTrials(trial))).toBe(false);
  });
  test('two of one id, and every line that cannot be read, are told each by its place', () => {
    expect(faults(good, { ...good, tape: 'field pass\ntyp "1"\nexpect display' })).toEqual([
      expect.objectContaining({ path: '$.trials[1].id' }),
      expect.objectContaining({
        path: '$.trials[1].tape',
        message: expect.stringMatching(/^Line 2, column 1 of the tape: /),
      }),
      expect.objectContaining({
        path: '$.trials[1].tape',
        message: expect.stringMatching(/^Line 3, column 15 of the tape: /),
      }),
    ]);
  });
});

import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { readDocument } from '../../document/read-document.ts';
import { apply, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { manyLocales } from '../../prove/locales.ts';
import { trial } from '../../tape/trial.ts';
import { kinds } from '../registry.ts';

const fieldOf = (locale: string, entry: object = {}, rules: object[] = []) =>
  compileField(
    { id: 'it', kind: 'date', label: 'It', entry: { parts: 'month', ...entry }, rules } as FieldDocument,
    { locale },
    kinds,
  );

function pasted(text: string, locale: string, field = fieldOf(locale)) {
  const read = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'paste', text });
  const { value } = evaluate(field, apply(field, read, { type: 'leave' }));
  return { value, leftOut: read.leftOut, assumed: read.body.assumed ?? '' };
}

describe('a whole text', () => {
  test.each([
    ['en-GB', '02/2027', '2027-02', '', ''],
    ['en-GB', '2/27', '2027-02', '', ''],
    ['en-GB', '2/70', '1970-02', '', ''],
    ['en-GB', '12/2027', '2027-12', '', ''],
    ['en-GB', '2027-02', '2027-02', '', ''],
    ['en-GB', '202702', '2027-02', '', 'order'],
    ['en-GB', '022027', '2027-02', '', ''],
    ['en-GB', 'Feb 2027', '2027-02', '', ''],
    ['en-GB', 'february 27', '2027-02', '', ''],
    ['en-GB', "Feb '27", '2027-02', '', ''],
    ['en-GB', 'valid until 02/27', '2027-02', 'validuntil', ''],
    ['en-GB', '2027-02-14', '2027-02', '14', ''],
    ['en-GB', '14/02/2027', null, '14022027', ''],
    ['en-GB', '14 Feb 2027', null, '14Feb2027', ''],
    ['en-GB', '13/2027', null, '132027', ''],
    ['en-GB', '00/2027', null, '002027', ''],
    ['en-GB', '02/0000', null, '020000', ''],
    ['de-DE', '2.2027', '2027-02', '', ''],
    ['de-DE', 'März 27', '2027-03', '', ''],
    ['ja-JP', '2027年2月', '2027-02', '', ''],
    ['ja-JP', '02/2027', '2027-02', '', 'order'],
    ['hu-HU', '2027. február', '2027-02', '', ''],
    ['fa-IR', '1405/02', null, '140502', ''],
  ])('%s: %s', (locale, text, value, leftOut, assumed) => {
    expect(pasted(text, locale)).toEqual({ value, leftOut, assumed });
  });

  test('whatever a locale writes for a month is read as that month or refused', () => {
    const wrong: string[] = [];
    let read = 0;
    let all = 0;
    const values = ['2027-02', '2027-12', '1999-05'];
    const known = new Set<string>();
    for (const locale of manyLocales(process.env.ARBEIT_LONG !== undefined)) {
      const texts = (['long', 'short', '2-digit', 'numeric'] as const).flatMap((month) => {
        const format = new Intl.DateTimeFormat(locale, { year: 'numeric', month, timeZone: 'UTC' });
        return values.map((value) => format.format(new Date(`${value}-03T12:00:00Z`)));
      });
      // Locales that write the same texts read the same texts.
      const written = JSON.stringify(texts);
      if (known.has(written)) continue;
      known.add(written);
      const field = fieldOf(locale);
      for (const [i, text] of texts.entries()) {
        const value = values[i % values.length];
        const found = pasted(text, locale, field).value;
        all++;
        if (found === value) read++;
        else if (found !== null) wrong.push(`${locale}: ${text} is ${value}, read as ${found}`);
      }
    }
    expect(known.size).toBeGreaterThan(100);
    expect(wrong).toEqual([]);
    expect(read / all).toBeGreaterThan(0.9);
  });
});

test.each([
  ['the order and the separator of the locale', {}, 'en-GB', 'type "0227"\nexpect display "02/27|"\nexpect value null\nleave\nexpect display "02/2027"\nexpect value "2027-02"\nexpect raw "022027"'],
  ['where years come first', {}, 'ja-JP', 'type "20272"\nexpect display "2027/02|"\nexpect value "2027-02"'],
  ['in another order, with another sign', { order: 'ymd', separator: '.' }, 'en-GB', 'type "202702"\nexpect display "2027.02|"'],
  ['day first is month first', { order: 'dmy' }, 'ja-JP', 'type "022027"\nexpect display "02/2027|"'],
  ['a month as a word at rest', { resting: 'long' }, 'de-DE', 'type "22027"\nleave\nexpect display "Februar 2027"\nfocus\nexpect display "02/2027|"'],
  ['months step within a year', {}, 'en-GB', 'type "122027"\ncaret 2\nup\nexpect display "12|/2027"\ndown\nexpect value "2027-11"'],
  ['a year of two digits is completed before it steps', {}, 'en-GB', 'type "0184"\ndown\nexpect value "1983-01"'],
])('%s', (_, entry, locale, lines) => {
  const set = { fields: [fieldOf(locale, entry)], forms: [] };
  expect(trial(set, `field it\nfocus\n${lines}`)).toEqual([]);
}); // biome-ignore format: a row a case

test('limits are months, or count from today', () => {
  const rules = [{ id: 'r', check: { type: 'range', min: 'today', max: '2031-12' } }];
  const set = { fields: [fieldOf('en-GB', {}, rules)], forms: [] };
  const said = (text: string) =>
    trial(set, `today 2027-02-20\nfield it\nfocus\ntype "${text}"\n`).concat(
      ...['pass', 'open', 'fail'].filter(
        (verdict) =>
          trial(set, `today 2027-02-20\nfield it\nfocus\ntype "${text}"\nexpect verdict r ${verdict}\n`)
            .length === 0,
      ),
    );
  // The month in which today is has not passed.
  expect(said('022027')).toEqual(['pass']);
  expect(said('012027')).toEqual(['fail']);
  expect(said('122031')).toEqual(['pass']);
  expect(said('012032')).toEqual(['fail']);
  expect(said('012')).toEqual(['open']);
  expect(said('019')).toEqual(['fail']);
});

const document = (check: object, other: object = {}) => ({
  arbeit: 2,
  title: 'T',
  locale: 'en-GB',
  fields: [
    { id: 'month', kind: 'date', label: 'Month', entry: { parts: 'month' }, rules: [{ id: 'r', check }] },
    { id: 'other', kind: 'date', label: 'Other', ...other },
  ],
});
const faultsOf = (json: unknown): readonly string[] => {
  const read = readDocument(json, kinds);
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

test('a month is compared with months, and limited by months', () => {
  const after = { type: 'compare', op: 'after', field: 'other' };
  expect(faultsOf(document({ type: 'range', min: '2027-02', max: 'today+5y' }))).toEqual([]);
  expect(faultsOf(document({ type: 'range', min: '2027-02-14' }))).toEqual([
    '$.fields[0].rules[0].check.min: Expected a month such as "2027-02", found "2027-02-14".',
  ]);
  expect(faultsOf(document({ type: 'range', min: '2027-03', max: '2027-02' }))).toHaveLength(1);
  expect(faultsOf(document(after, { entry: { parts: 'month' } }))).toEqual([]);
  expect(faultsOf(document(after))).toEqual([
    '$.fields[0].rules[0].check.field: A month field cannot be compared with a date field by "after".',
  ]);
  expect(
    faultsOf(document({ ...after, op: 'at-most-days', days: 2 }, { entry: { parts: 'month' } }))[0],
  ).toMatch(/cannot be compared by "at-most-days"/);
});

import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { manyLocales } from '../../prove/locales.ts';
import { trial } from '../../tape/trial.ts';
import { kinds } from '../registry.ts';

const fieldOf = (locale: string, entry: object = {}, rules: object[] = []) =>
  compileField(
    { id: 'it', kind: 'date-time', label: 'It', entry, rules } as FieldDocument,
    { locale },
    kinds,
  );

function pasted(text: string, field: ReturnType<typeof fieldOf>) {
  const read = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'paste', text });
  const { value } = evaluate(field, apply(field, read, { type: 'leave' }));
  return { value, leftOut: read.leftOut, assumed: read.body.assumed ?? '' };
}

const at = '2027-02-14T16:30';

describe('a whole text', () => {
  test.each([
    ['en-GB', '14/02/2027, 16:30', at, '', ''],
    ['en-GB', '14/2/27 16.30', at, '', ''],
    ['en-GB', '2027-02-14T16:30', at, '', ''],
    ['en-GB', '2027-02-14 16:30', at, '', ''],
    ['en-GB', '20270214T1630', at, '', ''],
    ['en-GB', '2027-02-14 4:30:00 pm', at, '', ''],
    ['af-NA', '2027-02-14 04:30:00 nm.', at, '', ''],
    ['af-NA', '2027-02-14 12:05 vm.', '2027-02-14T00:05', '', ''],
    ['en-GB', '2027-02-14T16:30 am', null, '20270214T1630am', ''],
    ['en-GB', '2027-02-14T16:30:00+01:00', at, '0100', ''],
    ['en-GB', '14 February 2027 at 16:30', at, '', ''],
    ['en-GB', 'Sun, 14 Feb 2027, 4.30 pm', at, '', ''],
    ['en-GB', '4.30 pm on 14 Feb 2027', at, 'on', ''],
    ['en-GB', '02/14/2027 16:30', at, '', 'order'],
    ['en-GB', '14/02/2027', null, '14022027', ''],
    ['en-GB', '16:30', null, '1630', ''],
    ['en-GB', '31/02/2027 16:30', null, '310220271630', ''],
    ['en-GB', '14/02/2027 24:30', null, '140220272430', ''],
    ['yo-NG', '12 01 2027, 7:5', null, '1201202775', ''],
    ['en-GB', '14/02/2027 16:60', null, '140220271660', ''],
    ['en-US', '2/14/2027 4:30 PM', at, '', ''],
    ['de-DE', '14. Februar 2027 um 16:30 Uhr', at, '', ''],
    ['ja-JP', '2027年2月14日 16時30分', at, '', ''],
    ['hu-HU', '2027. 02. 14. 16:30', at, '', ''],
    ['vi-VN', '16:30 14/02/2027', at, '', ''],
    ['cy', '14 Chwefror 2027 am 12:30', '2027-02-14T12:30', 'am', ''],
    ['fa-IR', '۱۴۰۵/۱۱/۲۵, ۱۶:۳۰', null, '۱۴۰۵۱۱۲۵۱۶۳۰', ''],
    ['ar-EG', '١٤/٢/٢٠٢٧ ٤:٣٠ م', at, '', ''],
  ])('%s: %s', (locale, text, value, leftOut, assumed) => {
    expect(pasted(text, fieldOf(locale))).toEqual({ value, leftOut, assumed });
  });

  test('whatever a locale writes is read as that moment or refused', () => {
    const wrong: string[] = [];
    let read = 0;
    let all = 0;
    const moments = [at, '2027-12-03T00:05', '1999-11-08T12:30'];
    const known = new Set<string>();
    for (const locale of manyLocales(process.env.ARBEIT_LONG !== undefined)) {
      const styles = [
        ...(['short', 'medium', 'long', 'full'] as const).map((dateStyle) => ({
          dateStyle,
          timeStyle: 'short' as const,
        })),
        { dateStyle: 'short', timeStyle: 'medium' } as const,
      ];
      const texts = styles.flatMap((style) => {
        const format = new Intl.DateTimeFormat(locale, { ...style, timeZone: 'UTC' });
        return moments.map((moment) => format.format(new Date(`${moment}Z`)));
      });
      // Locales that write the same texts read the same texts.
      const written = JSON.stringify(texts);
      if (known.has(written)) continue;
      known.add(written);
      const field = fieldOf(locale);
      for (const [i, text] of texts.entries()) {
        const moment = moments[i % moments.length];
        const { value } = pasted(text, field);
        all++;
        if (value === moment) read++;
        else if (value !== null) wrong.push(`${locale}: ${text} is ${moment}, read as ${value}`);
      }
    }
    expect(wrong).toEqual([]);
    expect(known.size).toBeGreaterThan(100);
    expect(read / all).toBeGreaterThan(0.85);
  });
});

test.each([
  ['the date and then the time', {}, 'en-GB', 'type "140220271630"\nexpect display "14/02/2027, 16:30|"\nexpect value "2027-02-14T16:30"\nexpect raw "140220271630"'],
  ['half of the day by a letter', { clock: 12 }, 'en-US', 'type "2142027"\nexpect display "02/14/2027, |"\ntype "430p"\nexpect value "2027-02-14T16:30"'],
  ['a year of two digits is closed by the blank behind it', {}, 'en-GB', 'type "14/2/27 9:05"\nexpect display "14/02/2027, 09:05|"'],
  ['mending the day leaves the time alone', {}, 'en-GB', 'type "140220271630"\ncaret 2\nbackspace\nbackspace\ntype "15"\nexpect display "15/|02/2027, 16:30"'],
  ['a moment as a text at rest', { resting: 'full' }, 'en-GB', 'paste "2027-02-14T16:30"\nleave\nexpect display "Sunday, 14 February 2027 at 16:30"\nfocus\nexpect display "14/02/2027, 16:30|"'],
  ['the part at the caret steps, the day within its month', {}, 'en-GB', 'paste "31/01/2027 16:30"\ncaret 4\nup\nexpect value "2027-02-28T16:30"\ncaret 13\ndown\nexpect value "2027-02-28T15:30"'],
  ['no such day', {}, 'en-GB', 'type "300220271630"\nexpect verdict complete fail\nleave\nexpect codes no-such-date\nexpect value null'],
  ['the time first, where it is written first', {}, 'vi-VN', 'type "163014022027"\nexpect display "16:30 14/02/2027|"\nexpect value "2027-02-14T16:30"'],
  ['a program sets the value', {}, 'en-US', 'set "2027-02-14T16:30"\nexpect display "02/14/2027, 04:30 PM|"'],
])('%s', (_, entry, locale, lines) => {
  const set = { fields: [fieldOf(locale, entry)], forms: [] };
  expect(trial(set, `field it\nfocus\n${lines}`)).toEqual([]);
}); // biome-ignore format: a row a case

/** The verdict about a limited moment that is typed so far, on 2027-02-10. */
function verdictOf(check: object, typed: string): string | undefined {
  const field = fieldOf('en-GB', {}, [{ id: 'r', check: { type: 'range', ...check } }]);
  const verdicts = ['pass', 'open', 'fail'];
  return verdicts.find(
    (verdict) =>
      trial(
        { fields: [field], forms: [] },
        `today 2027-02-10\nfield it\nfocus\ntype "${typed}"\nexpect verdict r ${verdict}\n`,
      ).length === 0,
  );
}

test.each([
  [{ min: '2027-02-14T16:30' }, '140220271630', 'pass'],
  [{ min: '2027-02-14T16:30' }, '140220271629', 'fail'],
  [{ min: '2027-02-14T16:30' }, '1402202716', 'open'],
  [{ min: '2027-02-14T16:30' }, '1402202715', 'fail'],
  [{ min: '2027-02-14T16:30' }, '14022027162', 'fail'],
  [{ min: '2027-02-14T16:30' }, '14022027163', 'open'],
  [{ min: '2027-02-14T16:30' }, '1302', 'open'],
  [{ min: '2027-02-14T16:30' }, '13022027', 'fail'],
  [{ min: '2027-02-14T16:30', max: '2027-02-14T16:45' }, '1402202716', 'open'],
  [{ min: '2027-02-14T16:30', max: '2027-02-14T16:45' }, '14022027165', 'fail'],
  [{ min: '2027-02-14T16:30', max: '2027-02-15T08:00' }, '1502202709', 'fail'],
  [{ min: '2027-02-14T16:30', max: '2027-02-15T08:00' }, '1502202708', 'open'],
  [{ min: 'today' }, '100220270000', 'pass'],
  [{ min: 'today' }, '090220272359', 'fail'],
  [{ max: 'today' }, '100220272359', 'pass'],
  [{ max: 'today' }, '110220270000', 'fail'],
])('%j: %s is %s', (check, typed, verdict) => {
  expect(verdictOf(check, typed)).toBe(verdict);
});

test('what a limit calls impossible no time of any minute makes possible', () => {
  const min = '2027-02-14T16:30';
  const max = '2027-02-15T08:05';
  for (const day of ['13', '14', '15', '16'])
    for (let hour = 0; hour < 24; hour++) {
      const typed = `${day}022027${`${hour}`.padStart(2, '0')}`;
      const isPossible = Array.from({ length: 60 }, (_, minute) => {
        const time = `${`${hour}`.padStart(2, '0')}:${`${minute}`.padStart(2, '0')}`;
        const moment = `2027-02-${day}T${time}`;
        return moment >= min && moment <= max;
      }).some(Boolean);
      expect([typed, verdictOf({ min, max }, typed)]).toEqual([typed, isPossible ? 'open' : 'fail']);
    }
});

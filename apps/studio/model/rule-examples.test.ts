import { compileField, type FieldDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { ruleExamples } from './rule-examples.ts';
import { finishedText } from './sample.ts';

const set = demo as unknown as SetDocument;
const today = '2027-02-10';
const fields = set.fields.filter(({ kind }) => kind !== 'custom');
const examplesOf = (field: FieldDocument, id: string, locale = 'en-GB') => {
  const compiled = compileField(field, { ...set, locale }, kinds);
  const rule = field.rules?.find((one) => one.id === id);
  return rule ? ruleExamples(compiled, rule, finishedText(compiled, kinds), today) : [];
};
const lines = (id: string, rule: string, locale?: string) =>
  examplesOf(fields.find((field) => field.id === id)!, rule, locale).map(({ display, verdict, message }) =>
    `${display || '–'} ${verdict} ${message}`.replaceAll('\u00a0', ' ').trim(),
  );

describe('what a rule says at its limit and next to it', () => {
  test.each(['en-GB', 'de-DE', 'ar-EG', 'ja-JP'])(
    '%s: each limit passes, what is beyond does not',
    (locale) => {
      for (const field of fields)
        for (const { id, check } of field.rules ?? []) {
          if (check.type !== 'range') continue;
          const verdicts = examplesOf(field, id, locale).map(({ verdict }) => verdict === 'pass');
          const limits = [check.min, check.max].filter((limit) => limit !== undefined && limit !== 0);
          // A percentage below 0 cannot be typed, so there is nothing beyond that limit.
          expect([field.id, id, verdicts.includes(true), verdicts.filter((is) => !is).length]).toEqual([
            field.id,
            id,
            true,
            expect.toSatisfy((count: number) => count >= limits.length),
          ]);
        }
    },
  );
  test('days, times, amounts and minutes are one step apart', () => {
    expect(lines('arrival', 'bookable').map((line) => line.split(/ (?:pass|fail)/)[0])).toEqual([
      'Tuesday, 9 February 2027',
      'Wednesday, 10 February 2027',
      'Thursday, 11 February 2027',
      'Wednesday, 9 August 2028',
      'Thursday, 10 August 2028',
      'Friday, 11 August 2028',
    ]);
    expect(lines('expected', 'open')[0]).toBe('11:59 fail The hut is open from 12:00 to 19:30.');
    expect(lines('deposit', 'most').at(-1)).toBe('£501.00 fail Enter £500.00 or less.');
    expect(lines('deposit', 'most', 'de-DE').at(-1)).toBe('501,00 £ fail Enter 500,00 £ or less.');
    expect(lines('walk-in', 'sensible').at(-1)).toBe('10 h 1 min fail Enter 10 h or less.');
  });
  test('empty, incomplete, too short, refused', () => {
    expect(lines('dog', 'required')).toEqual(['– open Please choose an answer.', 'Yes, a dog pass']);
    expect(lines('change-code', 'whole')).toEqual(['48151 open Enter all six digits.', '481516 pass']);
    expect(lines('warden', 'short').slice(0, 2)).toEqual([
      '(555) 012-345 open Enter at least 10 characters.',
      '(555) 012-3456 pass',
    ]);
    expect(lines('hut-pass', 'withdrawn')[0]).toBe('RH-0000/00 fail The pass RH-0000/00 has been withdrawn.');
    expect(lines('key-box', 'trivial')[0]).toBe(
      '1234 fail This is too easy to guess. Choose something else.',
    );
    expect(lines('email', 'form').at(-1)).toMatch(/^nam open Enter an e-mail address/);
  });
  test('today as a limit: one day before and after it; months and moments by one of theirs', () => {
    const near = (kind: string, entry: object, check: object) => {
      const rules = [{ id: 'r', check }];
      const field = { id: 'a', kind, label: 'A', entry, rules } as unknown as FieldDocument;
      const compiled = compileField(field, set, kinds);
      return ruleExamples(compiled, field.rules![0]!, finishedText(compiled, kinds), today).map(
        ({ display, verdict }) => `${display} ${verdict}`,
      );
    };
    expect(near('date', {}, { type: 'range', max: 'today' })).toEqual([
      '09/02/2027 pass',
      '10/02/2027 pass',
      '11/02/2027 fail',
    ]);
    expect(near('date', { parts: 'month' }, { type: 'range', min: '2027-02' })).toEqual([
      '01/2027 fail',
      '02/2027 pass',
      '03/2027 pass',
    ]);
    expect(near('date-time', {}, { type: 'range', max: '2027-02-10T00:00' }).at(-1)).toMatch(/00:01 fail$/);
    expect(near('number', { decimals: { max: 2 } }, { type: 'range', min: '0.50' })).toEqual([
      '0.49 fail',
      '0.50 pass',
      '0.51 pass',
    ]);
  });
  test('a check by a server has none: its answer is not known', () => {
    expect(lines('hut-pass', 'registered')).toEqual([]);
  });
  test('values stored with the rule are among them; an unknown rule has none', () => {
    const email = fields.find(({ id }) => id === 'email')!;
    const [rule] = email.rules!;
    const sampled = { ...rule!, samples: { fail: ['nobody@nowhere'], pass: [] } };
    const compiled = compileField({ ...email, rules: [sampled] }, set, kinds);
    const found = ruleExamples(compiled, sampled, finishedText(compiled, kinds), today);
    expect(found.map(({ display }) => display)).toContain('nobody@nowhere');
    expect(ruleExamples(compiled, { ...rule!, id: 'nowhere' }, '', today)).toEqual([]);
  });
});

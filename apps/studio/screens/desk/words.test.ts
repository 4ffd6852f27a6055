import type { CheckDocument, FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField, problemWithCheck } from '@arbeit/engine/document';
import { apply, start } from '@arbeit/engine/field';
import { kindIn, kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import demo from '../../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { startsFor } from '../../model/check-starts.ts';
import { addClass, removeClass, renameClass, usersOf } from '../../model/classes.ts';
import { keyInWords, refusalInWords } from '../../model/key-words.ts';
import { byClock, fromClock, limitFrom, limitInWords } from '../../model/limit-words.ts';
import { ruleInWords } from '../../model/rule-words.ts';
import { finishedText } from '../../model/sample.ts';
import { statesAlong } from '../../model/states-along.ts';
import { keyShown, meets } from '../../ui/keys.ts';
import { placeCaptions } from './captions.ts';
import { playsFor } from './plays.ts';

const set = demo as unknown as SetDocument;
const compiled = (field: Partial<FieldDocument>, locale = 'en-GB') =>
  compileField({ id: 'f', label: 'F', ...field } as FieldDocument, { ...set, locale }, kinds);
const money = (locale?: string) => compiled({ kind: 'currency', entry: { currency: 'EUR' } }, locale);
const day = compiled({ kind: 'date', entry: {} });
const limitsOf = (kind: string) => kindIn(kinds, kind).define.limits!;

describe('limits as people write them', () => {
  test.each([
    ['today', 'today'],
    ['today+1d', 'tomorrow'],
    ['today-1d', 'yesterday'],
    ['today-16y', '16 years before today'],
    ['today+1w', '1 week after today'],
    ['today+18m', '18 months after today'],
    ['2027-02-14', '14/02/2027'],
  ])('%s is %s', (limit, words) => {
    expect(limitInWords(day, limit)).toBe(words);
    const told = byClock(limit);
    if (told) expect(byClock(fromClock(told))).toEqual(told);
  });

  test.each([
    ['de-DE', '9.999,99', '9999.99', '9.999,99\u00a0€'],
    ['de-DE', '1.234', '1234.00', '1.234,00\u00a0€'],
    ['de-DE', '1234.56', '1234.56', '1.234,56\u00a0€'],
    ['en-GB', '1,234.5', '1234.50', '€1,234.50'],
    ['fr-FR', '12 345,6', '12345.60', '12\u202f345,60\u00a0€'],
  ])('in %s %s is %s and shown as %s', (locale, typed, limit, shown) => {
    const field = money(locale);
    expect(limitFrom(field, limitsOf('currency'), typed)).toBe(limit);
    expect(limitInWords(field, limit)).toBe(shown);
    expect(limitFrom(field, limitsOf('currency'), shown)).toBe(limit);
  });

  test('what is none is none; the notation itself is one where the field makes nothing of it', () => {
    expect(limitFrom(money(), limitsOf('currency'), 'much')).toBeUndefined();
    expect(limitFrom(day, limitsOf('date'), '31/31/2027')).toBeUndefined();
    // What the field would take only in part is no limit.
    expect(limitFrom(money(), limitsOf('currency'), '12 kg')).toBeUndefined();
    expect(limitFrom(money(), limitsOf('currency'), '1.2345')).toBe('1.2345');
    expect(limitFrom(day, limitsOf('date'), 'today-16y')).toBe('today-16y');
    expect(limitFrom(day, limitsOf('date'), '1.3.2027')).toBe('2027-03-01');
  });
});

describe('rules in words', () => {
  const said = (kind: string, field: Parameters<typeof ruleInWords>[1], check: CheckDocument) =>
    ruleInWords(check, field, kindIn(kinds, kind).define.limits);
  test.each([
    ['currency', money(), { type: 'range', max: '500' }, 'at most €500.00'],
    ['currency', money(), { type: 'range', min: 20, step: '0.5' }, 'at least €20.00, in steps of €0.50'],
    ['date', day, { type: 'range', min: 'today+1d' }, 'on or after tomorrow'],
    ['date', day, { type: 'range', max: 'today-16y' }, 'on or before 16 years before today'],
    ['text', money(), { type: 'length', min: 10 }, 'at least 10 characters'],
    ['text', money(), { type: 'length', min: 2, max: 2 }, '2 characters long'],
    ['text', money(), { type: 'in', values: ['a', 'b', 'c', 'd', 'e'] }, 'one of a, b, c and 2 more'],
    ['text', money(), { type: 'checksum', scheme: 'mod97', rotate: 4 }, 'has a valid check digit (MOD 97-10, first 4 characters moved to the end)'],
  ] as const)('%s %#', (kind, field, check, words) => expect(said(kind, field, check)).toBe(words)); // biome-ignore format: a line a rule

  test.each(Object.keys(kinds))('every rule a %s can begin with is sound, and says what it asks', (kind) => {
    const { define } = kindIn(kinds, kind);
    const offered = startsFor(define);
    expect(offered.length).toBeGreaterThan(0);
    for (const { check } of offered) {
      expect(problemWithCheck(define, check)).toEqual([]);
      expect(said(kind, money(), check)).not.toMatch(/undefined|null|^$/);
    }
  });
});

describe('half-typed moments tell apart what looks the same finished', () => {
  const ways = (field: object, key: string, values: readonly unknown[]) =>
    statesAlong(
      values.map(
        (value) =>
          ({
            id: 'f',
            label: 'F',
            ...field,
            entry: { ...(field as FieldDocument).entry, [key]: value },
          }) as FieldDocument,
      ),
      set,
      kinds,
    );
  test.each([
    [{ kind: 'pattern', entry: { pattern: '<2 digit>-<2 digit>' } }, 'literals', ['behind', 'ahead']],
    [{ kind: 'pattern', entry: { pattern: '<2 digit>-<2 digit>' } }, 'positions', ['flow', 'fixed']],
    [{ kind: 'pattern', entry: { pattern: '<2 digit>-<2 digit>' } }, 'raw', ['content', 'text']],
    [{ kind: 'currency', entry: { currency: 'GBP' } }, 'grouping', ['typing', 'leave']],
    [{ kind: 'currency', entry: { currency: 'GBP' } }, 'fill', ['left', 'right']],
    [{ kind: 'currency', entry: { currency: 'GBP' } }, 'pad', [true, false]],
  ])('%j: %s', (field, key, values) => {
    const moments = ways(field, key, values)!;
    expect(new Set(moments).size).toBe(values.length);
  });
  test('of several moments that differ the one that tells all apart', () => {
    const moments = ways({ kind: 'currency', entry: { currency: 'GBP' } }, 'grouping', [
      'typing',
      'leave',
      'never',
    ]);
    expect(moments).toBeDefined();
    const dates = ways({ kind: 'date', entry: {} }, 'order', ['dmy', 'mdy', 'ymd'])!;
    expect(new Set(dates).size).toBe(3);
  });
  test('nothing is told apart that is the same', () => {
    expect(ways({ kind: 'date', entry: {} }, 'pivot', [30, 30])).toBeUndefined();
  });
});

test.each(set.fields.map((field) => [field.id, field] as const))(
  '%s has something to play, and it is taken',
  (_, field) => {
    const own = compileField(field, set, kinds);
    const isPicked = kindIn(kinds, field.kind).draw.isPicked ?? false;
    const plays = playsFor(own, finishedText(own, kinds), isPicked);
    expect(plays).toHaveLength(3);
    for (const { label, events } of plays) {
      const begun = apply(own, start(own), { type: 'focus' });
      const done = events.reduce((state, event) => apply(own, state, event), begun);
      expect([label, done.rejected]).toEqual([label, null]);
      if (!isPicked) expect(done.body.content).not.toBe('');
    }
  },
);

test('captions stand in rows in which none touches another', () => {
  const placed = placeCaptions([
    { id: 'a', from: 0, end: 1, text: 'currency' },
    { id: 'b', from: 1, end: 2, text: 'digits' },
    { id: 'c', from: 2, end: 3, text: 'groups' },
    { id: 'd', from: 8, end: 12, text: 'digits' },
  ]);
  expect(placed.map(({ row }) => row)).toEqual([0, 1, 2, 0]);
  expect(placed[3]!.middle).toBe(10);
  expect(placed[0]!.middle).toBeGreaterThan(1);
});

test('keys and refusals in words', () => {
  expect(keyInWords({ type: 'key', text: ' ' })).toBe('space');
  expect(keyInWords({ type: 'select', start: 2, end: 5 })).toBe('selected 2 to 5');
  expect(refusalInWords('not-accepted', { type: 'key', text: 'é' })).toBe('letters are not allowed here');
  expect(refusalInWords('not-accepted', { type: 'key', text: '/' })).toBe('“/” is not allowed here');
  expect(refusalInWords('full', { type: 'paste', text: '12' })).toBe('the field is full');
});

test('keys of commands', () => {
  const press = (key: string, more = {}) => ({ key, ctrlKey: false, metaKey: false, altKey: false, shiftKey: false, ...more });
  expect(meets(press('k', { ctrlKey: true }), 'Ctrl+k')).toBe(true);
  expect(meets(press('K', { metaKey: true }), 'Ctrl+k')).toBe(true);
  expect(meets(press('k'), 'Ctrl+k')).toBe(false);
  expect(meets(press('ArrowUp'), 'Alt+ArrowUp')).toBe(false);
  expect(meets(press('?', { shiftKey: true }), '?')).toBe(true);
  expect(meets(press('ArrowUp', { altKey: true, shiftKey: true }), 'Alt+ArrowUp')).toBe(false);
  expect(keyShown('Alt+ArrowDown')).toBe('Alt ↓');
  
}); // biome-ignore format: a line a key

describe('classes of characters', () => {
  const used = set.fields.find((field) => usersOf(set, 'hex').includes(field))!;
  const patternIn = (next: SetDocument) =>
    (next.fields.find(({ id }) => id === used.id) as FieldDocument<'pattern'>).entry.pattern;
  test('renamed with what uses them', () => {
    const next = renameClass(set, 'hex', 'sixteen');
    expect(Object.keys(next.classes!)).toEqual(
      Object.keys(set.classes!).map((name) => (name === 'hex' ? 'sixteen' : name)),
    );
    expect(patternIn(next)).toContain('sixteen');
    expect(patternIn(next)).not.toContain('hex');
    expect(usersOf(next, 'sixteen').map(({ id }) => id)).toEqual(usersOf(set, 'hex').map(({ id }) => id));
  });
  test('taken away, their characters stand there, and the field takes what it took', () => {
    const next = removeClass(set, 'hex');
    expect(next.classes).not.toHaveProperty('hex');
    expect(patternIn(next)).toContain(`"${set.classes!.hex}"`);
  });
  test('a fresh one has a free name', () => {
    const two = addClass(addClass(set));
    expect(Object.keys(two.classes!)).toEqual([...Object.keys(set.classes!), 'own', 'own2']);
  });
});

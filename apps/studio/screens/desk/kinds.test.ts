import type { FieldDocument } from '@arbeit/engine/document';
import { compileField, readDocument } from '@arbeit/engine/document';
import type { FieldState, HydratedField } from '@arbeit/engine/field';
import { apply, keysOf, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import type { PhonePlan } from '@arbeit/engine/kinds/phone';
import type { Offer } from '@arbeit/engine/options';
import { dayAfterKey, findRegions, problemWith, regionChoices, weeksOf } from '@arbeit/react';
import { describe, expect, test } from 'vitest';
import { newOffer } from '../../model/offers.ts';
import { sampleLine, sampleOf } from '../../model/sample.ts';
import { typicalShapes } from '../../model/shapes.ts';
import { displayColumns, drawingOf, stopsOf } from './kind-columns.ts';
import { chosen, isSame, optionsFor, problemOf, withOption } from './options.ts';
import { otherDisplay } from './shared-value.tsx';

const set = { locale: 'en-GB', classes: { check: '0-9X', hex: '0-9A-F' } };
const others = typicalShapes.filter(({ kind }) => kind !== 'pattern');
const field = (kind: FieldDocument['kind'], entry: object): FieldDocument =>
  ({ id: 'f', kind, label: 'F', entry }) as FieldDocument;

describe('specimens', () => {
  test.each([
    ['currency', { currency: 'GBP' }, '£1,234.56'],
    ['currency', { currency: 'EUR', negative: 'minus' }, '−€1,234.56'],
    ['number', { unit: 'guests' }, '1,234\u00a0guests'],
    ['percent', { decimals: { max: 1 } }, '1,234.5%'],
    ['date', { resting: 'long' }, '14/02/2027'],
    ['time', { clock: 24 }, '14:30'],
    ['duration', {}, '1 h 30 min'],
    ['phone', { home: 'GB' }, '07700 900123'],
    ['one-time-code', { groups: [3, 3] }, '481 516'],
    ['text', { case: 'upper' }, 'FREE TEXT'],
  ] as const)('%s %o is %s', (kind, entry, line) => {
    expect(sampleLine(sampleOf(field(kind, entry), set, kinds))).toBe(line);
  });

  test.each(others.map((shape) => [shape.id, shape] as const))(
    'every choice of every part of %s makes a sound definition',
    (_, shape) => {
      const parts = new Set(sampleOf(shape, set, kinds).map(({ part }) => part));
      let seen = 0;
      for (const part of parts)
        for (const option of optionsFor(shape, part, kinds)) {
          const values =
            option.is === 'choice'
              ? option.choices.map(([value]) => value)
              : option.is === 'number'
                ? [option.min, option.max]
                : option.is === 'several'
                  ? [option.any, option.offers.slice(0, 2).map(([one]) => one)]
                  : option.is === 'picks'
                    ? [[...(chosen(shape, option) as readonly Offer[]), newOffer([])]]
                    : option.is === 'code'
                      ? ['export const shape = (content) => content;']
                      : [option.usual, ...(option.suggestions ?? []).slice(0, 3)];
          for (const value of values.filter((one) => problemOf(shape, option, one, kinds) === null)) {
            const next = withOption(shape, option, value, kinds);
            const read = readDocument({ arbeit: 2, title: 'T', ...set, fields: [next] }, kinds);
            expect(read, `${option.key} ${JSON.stringify(value)}`).toMatchObject({ ok: true });
            const said = option.is === 'number' && value === undefined ? option.usual : value;
            expect(
              isSame(chosen(next, option), said) || option.key === 'regions' || value === '',
              `${option.key} ${JSON.stringify(value)}`,
            ).toBe(true);
            expect(sampleOf(next, set, kinds).length).toBeGreaterThan(0);
            seen++;
          }
        }
      expect(seen).toBeGreaterThan(1);
    },
  );

  test('an option set to what is usual is left out of the document', () => {
    const [option] = optionsFor(field('currency', { currency: 'GBP' }), 'group', kinds);
    const never = withOption(field('currency', { currency: 'GBP' }), option!, 'never', kinds);
    expect(never.entry).toEqual({ currency: 'GBP', grouping: 'never' });
    expect(withOption(never, option!, 'typing', kinds).entry).toEqual({ currency: 'GBP' });
  });

  test('there is a second display where a kind has one', () => {
    expect(otherDisplay(field('duration', {}), { locale: 'en-GB' }, kinds)?.field.entry).toEqual({
      units: ['min'],
    });
    expect(
      otherDisplay(field('currency', { currency: 'GBP' }), { locale: 'en-GB' }, kinds)?.field.entry,
    ).toEqual({
      currency: 'GBP',
      fill: 'right',
    });
    expect(
      otherDisplay(field('pattern', { pattern: '<4 digit>' }), { locale: 'en-GB' }, kinds),
    ).toBeUndefined();
  });
});

const shownColumns = (of: HydratedField, state: FieldState) =>
  displayColumns(of, state, drawingOf(of, kinds));

describe('the ruler', () => {
  const columns = (kind: FieldDocument['kind'], entry: object, text: string) => {
    const compiled = compileField(field(kind, entry), { locale: 'en-GB' }, kinds);
    const state = keysOf(text).reduce(
      (s, key) => apply(compiled, s, key),
      apply(compiled, start(compiled), { type: 'focus' }),
    );
    return { compiled, state, columns: shownColumns(compiled, state) };
  };
  test.each([
    ['currency', { currency: 'GBP' }, '1234.5', '£1,234.5', '1234.5'],
    ['currency', { currency: 'GBP', fill: 'right' }, '5', '£0.05', '5'],
    ['currency', { currency: 'GBP', negative: 'minus' }, '-12', '-£12', '-12'],
    ['date', {}, '14022027', '14/02/2027', '14022027'],
    ['duration', {}, '1h30', '1 h 30 min', '130'],
    ['phone', { home: 'US' }, '2015550123', '(201) 555-0123', '2015550123'],
    ['text', {}, 'a b', 'a b', 'a b'],
  ] as const)('%s %o: what of %s is content', (kind, entry, text, display, content) => {
    const found = columns(kind, entry, text).columns;
    expect(found.map(({ character }) => character).join('')).toBe(display);
    expect(found.flatMap(({ character, isContent }) => (isContent ? [character] : [])).join('')).toBe(
      content,
    );
  });

  test('a trunk prefix is content and stays out of the value; a PIN is seen as bullets; the caret keeps off the sign', () => {
    const phone = columns('phone', { home: 'GB' }, '07700900123').columns;
    expect(phone.flatMap(({ character, isInValue }) => (isInValue ? [character] : [])).join('')).toBe(
      '7700900123',
    );
    expect(
      columns('pin', {}, '83')
        .columns.map(({ seen }) => seen)
        .join(''),
    ).toBe('••');
    const { compiled, state } = columns('currency', { currency: 'GBP' }, '12');
    expect(stopsOf(compiled, state)).toEqual([1, 2, 3]);
  });

  test('filled-in zeros and resting text are no content', () => {
    const { compiled, state } = columns('currency', { currency: 'GBP' }, '1.5');
    const left = shownColumns(compiled, apply(compiled, state, { type: 'leave' }));
    expect(left.map(({ isContent }) => isContent)).toEqual([false, true, true, true, false]);
    const date = columns('date', { resting: 'full' }, '14022027');
    const rested = shownColumns(date.compiled, apply(date.compiled, date.state, { type: 'leave' }));
    expect(rested.some(({ isContent }) => isContent)).toBe(false);
  });
});

describe('the calendar', () => {
  const arrival = compileField(
    {
      id: 'a',
      kind: 'date',
      label: 'Arrival',
      entry: {},
      rules: [{ id: 'r', check: { type: 'range', min: 'today', max: 'today+1m' } }],
    },
    { locale: 'en-GB' },
    kinds,
  );
  test('weeks with their ISO numbers, filled from the months beside', () => {
    const weeks = weeksOf(arrival, '2027-01-15', '2027-02-10');
    expect(weeks.map(({ week }) => week)).toEqual([
      '2026-W53',
      '2027-W01',
      '2027-W02',
      '2027-W03',
      '2027-W04',
    ]);
    expect(weeks[0]!.days.map(({ date, isOutside }) => [date.slice(5), isOutside])).toEqual([
      ['12-28', true], ['12-29', true], ['12-30', true], ['12-31', true], ['01-01', false], ['01-02', false], ['01-03', false],
    ]); // biome-ignore format: a week a line
  });
  test('a day the rules refuse says why', () => {
    expect(problemWith(arrival, '2027-02-09', '2027-02-10')).toBe('Enter a date on or after 10/02/2027.');
    expect(problemWith(arrival, '2027-02-10', '2027-02-10')).toBe('');
    expect(problemWith(arrival, '2027-03-11', '2027-02-10')).toContain('10/03/2027');
  });
  test('keys lead by days, weeks, months and years', () => {
    const from = (key: string, shift = false) => dayAfterKey('2028-02-29', key, shift);
    expect(['ArrowRight', 'ArrowUp', 'Home', 'End', 'PageDown', 'x'].map((key) => from(key))).toEqual([
      '2028-03-01',
      '2028-02-22',
      '2028-02-28',
      '2028-03-05',
      '2028-03-29',
      undefined,
    ]);
    expect(from('PageUp', true)).toBe('2027-02-28');
  });
});

test('regions by the beginning of a word, by letters, by code, by a number that begins with it', () => {
  const { plans } = compileField(
    { id: 'f', kind: 'phone', label: 'F', entry: { home: 'GB', regions: 'any' } },
    { locale: 'en-GB' },
    kinds,
  ).plan as PhonePlan;
  const choices = regionChoices(plans, 'en-GB');
  const found = (text: string) => findRegions(choices, text).map(({ region }) => region);
  expect(choices.length).toBeGreaterThan(230);
  expect(found('switz')).toEqual(['CH']);
  expect(found('cote')).toEqual(['CI']);
  expect(found('+41')).toEqual(['CH']);
  expect(found('0041781234567')).toEqual(['CH']);
  expect(found('gb')).toContain('GB');
  expect(found('zz')).toEqual([]);
});

describe('lists made elsewhere', () => {
  const optionOf = (made: FieldDocument, key: string) =>
    optionsFor(made, key === 'types' ? 'number' : 'region', kinds).find((one) => one.key === key)!;

  test.each([
    ['regions', ['DE', 'CH']],
    ['types', ['mobile', 'fixed']],
  ])('%s: one made elsewhere is chosen as it is, and kept', (key, list) => {
    const made = field('phone', { home: 'DE', [key]: list });
    const option = optionOf(made, key);
    expect(chosen(made, option)).toEqual(list);
    expect(withOption(made, option, list, kinds).entry).toEqual(made.entry);
    const home = optionsFor(made, 'region', kinds).find((one) => one.key === 'home')!;
    expect(withOption(made, home, 'CH', kinds).entry).toEqual({ home: 'CH', [key]: list });
  });

  test('any list of regions can be made; one that is none of the ways of a choice stands beside them', () => {
    const regions = optionOf(field('phone', { home: 'DE' }), 'regions');
    // A list of its own begins with the home region.
    expect(regions).toMatchObject({ is: 'several', any: 'any', first: 'DE' });
    expect(regions.is === 'several' && regions.offers).toContainEqual(['CH', 'Switzerland']);
    const types = (made: FieldDocument) => {
      const option = optionOf(made, 'types');
      return option.is === 'choice' ? option.choices : [];
    };
    const list = ['mobile', 'fixed'];
    const isThere = (made: FieldDocument) => types(made).some(([value]) => isSame(value, list));
    expect(isThere(field('phone', { home: 'DE', types: list }))).toBe(true);
    expect(isThere(field('phone', { home: 'DE' }))).toBe(false);
  });

  test('numbers of the home region alone stay so when the home moves', () => {
    const made = field('phone', { home: 'DE', regions: ['DE'] });
    const home = optionsFor(made, 'region', kinds).find((one) => one.key === 'home')!;
    expect(withOption(made, home, 'CH', kinds).entry).toEqual({ home: 'CH', regions: ['CH'] });
  });
});

test('an option that means something only beside another is offered only there', () => {
  const keys = (positions: string) =>
    optionsFor(field('pattern', { pattern: '<3 digit>', positions }), 'typing', kinds).map(({ key }) => key);
  expect(keys('flow')).toEqual(['positions', 'literals', 'raw', 'ghost']);
  expect(keys('fixed')).toEqual(['positions', 'literals', 'raw', 'filler']);
});

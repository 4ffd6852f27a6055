import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { someLocales } from '../../prove/locales.ts';
import { gregorian } from '../editing/formats.ts';
import { kinds } from '../registry.ts';
import type { TimeEntry } from '../time/define.ts';
import type { DateEntry } from './define.ts';

const locales = someLocales(process.env.ARBEIT_LONG !== undefined);

const dateField = (entry: DateEntry, locale: string, initial = '') =>
  compileField({ id: 'f', kind: 'date', label: 'F', entry, initial }, { locale }, kinds);

const days = Array.from({ length: 31 }, (_, i) => `2027-01-${String(i + 1).padStart(2, '0')}`)
  .concat(
    Array.from(
      { length: 12 },
      (_, i) =>
        `2028-${String(i + 1).padStart(2, '0')}-${String(3 * i + 1 > 28 ? 28 : 3 * i + 1).padStart(2, '0')}`,
    ),
  )
  .concat(['2028-02-29', '1900-12-31', '9999-12-31']);

describe('resting text is what Intl.DateTimeFormat writes', () => {
  test.each(locales)('%s', (locale) => {
    for (const resting of ['same', 'medium', 'long', 'full'] as const) {
      const format = new Intl.DateTimeFormat(gregorian(locale), {
        timeZone: 'UTC',
        ...(resting === 'same'
          ? { day: '2-digit', month: '2-digit', year: 'numeric' }
          : { dateStyle: resting }),
      });
      for (const day of days)
        expect(start(dateField({ resting }, locale, day)).body.display, `${resting} ${day}`).toBe(
          format.format(new Date(`${day}T00:00:00Z`)),
        );
    }
  });

  test.each(locales)('the resting text pasted back is the same date: %s', (locale) => {
    for (const resting of ['same', 'medium', 'long', 'full'] as const)
      for (const day of ['2027-02-14', '2028-11-03']) {
        const field = dateField({ resting }, locale, day);
        const text = start(field).body.display;
        const empty = compileField(
          { id: 'f', kind: 'date', label: 'F', entry: { resting } },
          { locale },
          kinds,
        );
        const after = apply(empty, apply(empty, start(empty), { type: 'focus' }), { type: 'paste', text });
        expect(evaluate(empty, after).value, text).toBe(day);
        expect(after.leftOut).toBe('');
      }
  });
});

const pasted = (text: string, locale = 'en-GB', entry: DateEntry = {}) => {
  const field = dateField(entry, locale);
  const state = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'paste', text });
  return { value: evaluate(field, state).value, leftOut: state.leftOut, assumed: state.body.assumed ?? '' };
};

describe('pasted dates', () => {
  test.each([
    ['2027-02-14', '2027-02-14', '', ''],
    ['2027-02-14T10:30:00+01:00', '2027-02-14', 'T1030000100', ''],
    ['20270214', '2027-02-14', '', 'order'],
    ['14022027', '2027-02-14', '', ''],
    ['14/2/27', '2027-02-14', '', ''],
    ['14.02.1999', '1999-02-14', '', ''],
    ['1/2/70', '1970-02-01', '', ''],
    ['2027/2/14', '2027-02-14', '', ''],
    ['02/14/2027', '2027-02-14', '', 'order'],
    ['14 February 2027', '2027-02-14', '', ''],
    ['Sunday, 14 Feb 2027', '2027-02-14', '', ''],
    ['February 14, 2027', '2027-02-14', '', ''],
    ['on 14 Feb 2027 at noon', '2027-02-14', 'onatnoon', ''],
    ['31/02/2027', null, '', ''],
  ])('%s', (text, value, leftOut, assumed) => {
    expect(pasted(text)).toEqual({ value, leftOut, assumed });
  });
  test('in other languages', () => {
    expect(pasted('14 de febrero de 2027', 'es-ES').value).toBe('2027-02-14');
    expect(pasted('14. Februar 2027', 'de-DE').value).toBe('2027-02-14');
    expect(pasted('14 февраля 2027 г.', 'ru-RU')).toMatchObject({ value: '2027-02-14', leftOut: '' });
    expect(pasted('2027年2月14日', 'ja-JP').value).toBe('2027-02-14');
    expect(pasted('02/03/2027', 'en-US').value).toBe('2027-02-03');
  });
});

describe('times', () => {
  const typed = (entry: TimeEntry, locale: string, text: string) => {
    const field = compileField({ id: 'f', kind: 'time', label: 'F', entry }, { locale }, kinds);
    const state = keysOf(text).reduce(
      (s, key) => apply(field, s, key),
      apply(field, start(field), { type: 'focus' }),
    );
    return { value: evaluate(field, state).value, display: state.body.display };
  };
  test('twelve and twenty-four hours', () => {
    expect(typed({ clock: 24 }, 'en-GB', '1430')).toEqual({ value: '14:30', display: '14:30' });
    expect(typed({ clock: 12 }, 'en-GB', '230p').value).toBe('14:30');
    expect(typed({ clock: 12 }, 'en-GB', '1205a').value).toBe('00:05');
    expect(typed({ clock: 12 }, 'ja-JP', '午後1230')).toEqual({ value: '12:30', display: '午後12:30' });
    expect(typed({ clock: 24, seconds: true }, 'fi-FI', '93015').value).toBe('09:30:15');
  });
  test.each(locales)('each hour shows as Intl.DateTimeFormat writes it: %s', (locale) => {
    for (const clock of [12, 24] as const) {
      const format = new Intl.DateTimeFormat(gregorian(locale), {
        hour: '2-digit', minute: '2-digit', hourCycle: clock === 12 ? 'h12' : 'h23', timeZone: 'UTC',
      }); // biome-ignore format: one option beside the other
      for (const hour of [0, 1, 9, 11, 12, 13, 23]) {
        const initial = `${String(hour).padStart(2, '0')}:05`;
        const field = compileField(
          { id: 'f', kind: 'time', label: 'F', entry: { clock }, initial },
          { locale },
          kinds,
        );
        expect(start(field).body.display).toBe(format.format(new Date(`2027-01-01T${initial}:00Z`)));
        expect(evaluate(field, start(field)).value).toBe(initial);
      }
    }
  });
});

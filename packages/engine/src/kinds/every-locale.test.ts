import { describe, expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument } from '../document/document.ts';
import { apply, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import type { HydratedField } from '../field/kind.ts';
import { everyLocale, manyLocales } from '../prove/locales.ts';
import { digitsOf } from './editing/digits.ts';
import { kinds } from './registry.ts';

/**
 * What the platform writes in any locale is read back as the same value or refused, never as another one: a
 * month taken for a day, another calendar's year, the wrong half of the day.
 */
const many = manyLocales(process.env.ARBEIT_LONG !== undefined);
const fieldOf = (kind: string, entry: object, locale: string): HydratedField =>
  compileField({ id: 'f', kind, label: 'F', entry } as FieldDocument, { locale }, kinds);

function pasted(field: HydratedField, text: string): string | null {
  const state = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'paste', text });
  // What leaving makes of it counts: a year of two digits becomes one of four then.
  return evaluate(field, apply(field, state, { type: 'leave' })).value;
}

test('there are hundreds of them', () => {
  expect(everyLocale().length).toBeGreaterThan(600);
});

/** One locale of all that write the same texts: what was read of one would be read of all. */
function writingApart(texts: (locale: string, at: number) => string): readonly (readonly [string, number])[] {
  const first = new Map<string, readonly [string, number]>();
  for (const [i, locale] of many.entries()) {
    const written = texts(locale, i);
    if (!first.has(written)) first.set(written, [locale, i]);
  }
  return [...first.values()];
}

test('dates in all four styles', () => {
  const wrong: string[] = [];
  let same = 0;
  const styles = ['short', 'medium', 'long', 'full'] as const;
  const days = ['2027-02-03', '2027-12-25', '2024-02-29', '1999-11-08'];
  const textsIn = (locale: string) =>
    styles.map((dateStyle) => {
      const format = new Intl.DateTimeFormat(locale, { dateStyle, timeZone: 'UTC' });
      return days.map((day) => format.format(new Date(`${day}T12:00:00Z`)));
    });
  const apart = writingApart((locale) => JSON.stringify(textsIn(locale)));
  expect(apart.length).toBeGreaterThan(100);
  for (const [locale] of apart) {
    const field = fieldOf('date', {}, locale);
    for (const [i, texts] of textsIn(locale).entries()) {
      const dateStyle = styles[i];
      for (const [j, day] of days.entries()) {
        const text = texts[j]!;
        const value = pasted(field, text);
        if (value === day) same++;
        else if (value !== null) wrong.push(`${locale} ${dateStyle}: ${text} is ${day}, read as ${value}`);
      }
    }
  }
  expect(wrong).toEqual([]);
  // Refusing everything would be no art.
  expect(same / (apart.length * 16)).toBeGreaterThan(0.9);
});

test('times of day, in twelve and in twenty-four hours', () => {
  const wrong: string[] = [];
  let same = 0;
  let all = 0;
  const times = ['00:05:07', '05:30:45', '11:59:00', '12:30:30', '16:20:10', '20:10:05', '23:59:59'];
  const formatsIn = (locale: string, seconds: boolean) => {
    const unit = seconds ? ({ second: '2-digit' } as const) : {};
    return [
      new Intl.DateTimeFormat(locale, { timeStyle: seconds ? 'medium' : 'short', timeZone: 'UTC' }),
      ...(['h12', 'h23'] as const).map(
        (hourCycle) =>
          new Intl.DateTimeFormat(locale, {
            hour: 'numeric',
            minute: '2-digit',
            ...unit,
            hourCycle,
            timeZone: 'UTC',
          }),
      ),
    ];
  };
  const apart = writingApart((locale, i) =>
    JSON.stringify(
      formatsIn(locale, i % 3 === 0).map((format) =>
        times.map((at) => format.format(new Date(`2027-02-03T${at}Z`))),
      ),
    ),
  );
  expect(apart.length).toBeGreaterThan(60);
  for (const [locale, i] of apart) {
    const seconds = i % 3 === 0;
    const formats = formatsIn(locale, seconds);
    for (const clock of [12, 24]) {
      const field = fieldOf('time', { clock, seconds }, locale);
      for (const format of formats)
        for (const at of times) {
          const of = (hour: number) =>
            format.format(new Date(Date.UTC(2027, 1, 3, hour, +at.slice(3, 5), +at.slice(6))));
          const text = of(+at.slice(0, 2));
          // Written without its half of the day, a text is two times at once.
          if (text === of((+at.slice(0, 2) + 12) % 24)) continue;
          const time = seconds ? at : at.slice(0, 5);
          const value = pasted(field, text);
          all++;
          if (value === time) same++;
          else if (value !== null) wrong.push(`${locale} ${clock}: ${text} is ${time}, read as ${value}`);
        }
    }
  }
  expect(wrong).toEqual([]);
  expect(same / all).toBeGreaterThan(0.85);
});

describe('digits', () => {
  test('those a page cannot show one by one are ASCII', () => {
    for (const locale of ['ff-Adlm', 'ccp', 'zh-u-nu-hanidec', 'en-u-nu-mathbold', 'de'])
      expect([locale, digitsOf(locale)]).toEqual([locale, '']);
    expect(digitsOf('ar-EG')).toBe('٠١٢٣٤٥٦٧٨٩');
    const shown = (kind: string, entry: object, locale: string, text: string) =>
      apply(fieldOf(kind, entry, locale), start(fieldOf(kind, entry, locale)), { type: 'set', text }).body
        .display;
    expect(shown('currency', { currency: 'EUR' }, 'ff-Adlm', '1234.5')).toMatch(/1.?234.50/);
    expect(shown('date', {}, 'ff-Adlm', '2027-02-14')).toMatch(/^[\d\W]+$/);
    expect(shown('number', { decimals: { max: 1 } }, 'zh-u-nu-hanidec', '12.5')).toBe('12.5');
  });

  test('no display of any locale has half a character in it, and every amount is read back', () => {
    for (const locale of many) {
      const field = fieldOf('currency', { currency: 'EUR' }, locale);
      const { display } = apply(field, start(field), { type: 'set', text: '1234.5' }).body;
      expect(/\p{Cs}/u.test(display), locale).toBe(false);
      expect([locale, pasted(field, display)]).toEqual([locale, '1234.50']);
    }
  });
});

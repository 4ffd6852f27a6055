import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { locales } from '../../prove/locales.ts';
import { kinds } from '../registry.ts';

const field = (locale: string, entry: object) =>
  compileField({ id: 'f', kind: 'number', label: 'F', entry } as FieldDocument, { locale }, kinds);
const shown = (compiled: ReturnType<typeof field>, text: string): string =>
  keysOf(text).reduce(
    (state, event) => apply(compiled, state, event),
    apply(compiled, start(compiled), { type: 'focus' }),
  ).body.display;

test.each([
  [
    'en-GB',
    ['0 guests', '1 guest', '2 guests', '1.0 guests', '1.5 guests', '0.5 guests', '11 guests', '21 guests'],
  ],
  [
    'fr-FR',
    ['0 guest', '1 guest', '2 guests', '1.0 guest', '1.5 guest', '0.5 guest', '11 guests', '21 guests'],
  ],
  [
    'es-ES',
    ['0 guests', '1 guest', '2 guests', '1.0 guest', '1.5 guests', '0.5 guests', '11 guests', '21 guests'],
  ],
  [
    'ja-JP',
    ['0 guests', '1 guest', '2 guests', '1.0 guests', '1.5 guests', '0.5 guests', '11 guests', '21 guests'],
  ],
])('the unit of one, as %s counts', (locale, expected) => {
  const compiled = field(locale, { unit: 'guests', singular: 'guest', decimals: { max: 1 } });
  const found = ['0', '1', '2', '1.0', '1.5', '0.5', '11', '21'].map((text) =>
    shown(compiled, text).replace('\u00a0', ' ').replace(',', '.'),
  );
  expect(found).toEqual(expected);
});

test('typed on and taken back it follows, the caret before it; pasted as one or as many it is read', () => {
  const compiled = field('en-GB', { unit: 'guests', singular: 'guest' });
  const one = shown(compiled, '1');
  expect([one, shown(compiled, '12')]).toEqual(['1\u00a0guest', '12\u00a0guests']);
  for (const text of ['1 guest', '1 guests', '1\u00a0guest'])
    expect(compiled.kind.raw(compiled.plan, compiled.kind.parse(compiled.plan, text).body)).toBe('1');
  expect(compiled.kind.parse(compiled.plan, '1 guest').leftOut).toBe('');
});

describe('a unit of the platform is written as Intl writes it, for every number', () => {
  const amounts = ['0', '1', '2', '3', '5', '8', '11', '12', '21', '22', '25', '100', '101', '102', '111', '122', '1000', '1001', '0.5', '1.5', '2.5', '1.1', '2.1', '0.01', '1.21', '3.14', '21.5', '-1', '-2', '-1.5']; // biome-ignore format: a list
  test.each(locales)('%s', (locale) => {
    const wrong = ['day', 'kilogram', 'hour', 'week', 'month', 'liter', 'mile'].flatMap((unit) => {
      const entry = { unit, decimals: { max: 2 }, negative: 'minus', pad: false };
      const compiled = field(locale, entry);
      const format = new Intl.NumberFormat(locale, {
        style: 'unit',
        unit,
        unitDisplay: 'short',
        maximumFractionDigits: 2,
      });
      return amounts.flatMap((amount) => {
        const { display } = apply(compiled, start(compiled), { type: 'set', text: amount }).body;
        // Some languages write one or two of a unit without a number.
        const expected = format.format(Number(amount));
        return display === expected || !/\p{Nd}/u.test(expected) ? [] : [[unit, amount, expected, display]];
      });
    });
    expect(wrong).toEqual([]);
  });
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { someLocales } from '../../prove/locales.ts';
import { kinds } from '../registry.ts';
import { formatOptions, type NumberEntry } from './define.ts';

const locales = someLocales(process.env.ARBEIT_LONG !== undefined);

/** What a field of that value shows when nobody types. */
function atRest(
  kind: 'number' | 'currency' | 'percent',
  entry: NumberEntry,
  locale: string,
  raw: string,
): string {
  const document = { id: 'f', kind, label: 'F', entry, initial: raw } as FieldDocument;
  return start(compileField(document, { locale }, kinds)).body.display;
}

const amounts = ['0', '0.5', '7', '12.34', '999.99', '1234.5', '98765.43', '1234567.89', '-1', '-1234.5'];

describe('resting text is what Intl.NumberFormat writes', () => {
  test.each(locales)('%s', (locale) => {
    for (const currency of ['EUR', 'GBP', 'JPY', 'KWD', 'INR', 'CHF', 'USD', 'CLF'])
      for (const sign of ['symbol', 'code'] as const)
        for (const amount of amounts) {
          const entry: NumberEntry = { currency, sign, negative: 'minus' };
          const format = new Intl.NumberFormat(locale, formatOptions('currency', entry));
          const most = format.resolvedOptions().maximumFractionDigits ?? 2;
          if ((amount.split('.')[1] ?? '').length > most) continue;
          expect(atRest('currency', entry, locale, amount), `${currency} ${sign} ${amount}`).toBe(
            format.format(Number(amount)),
          );
        }
    for (const amount of amounts) {
      const plain = new Intl.NumberFormat(locale, { minimumFractionDigits: 1, maximumFractionDigits: 2 });
      expect(atRest('number', { decimals: { min: 1, max: 2 }, negative: 'minus' }, locale, amount)).toBe(
        plain.format(Number(amount)),
      );
      const weight = new Intl.NumberFormat(locale, {
        style: 'unit',
        unit: 'kilogram',
        maximumFractionDigits: 2,
      });
      expect(
        atRest('number', { decimals: { max: 2 }, negative: 'minus', unit: 'kilogram' }, locale, amount),
      ).toBe(weight.format(Number(amount)));
    }
    const share = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 2 });
    for (const amount of ['0', '7', '12.5', '1234', '-5'])
      expect(atRest('percent', { decimals: { max: 2 }, negative: 'minus' }, locale, amount)).toBe(
        share.format(Number(amount) / 100),
      );
  });

  test('brackets for negatives are those of accounting, where the locale has them', () => {
    for (const locale of ['en-GB', 'en-US', 'zh-CN', 'ja-JP', 'fr-FR']) {
      const format = new Intl.NumberFormat(locale, {
        style: 'currency',
        currency: 'EUR',
        currencySign: 'accounting',
      });
      expect(atRest('currency', { currency: 'EUR', negative: 'parentheses' }, locale, '-1234.5')).toBe(
        format.format(-1234.5),
      );
    }
  });
});

const typed = (entry: NumberEntry & { currency: string }, locale: string, text: string) => {
  const field = compileField({ id: 'f', kind: 'currency', label: 'F', entry }, { locale }, kinds);
  const state = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'paste', text });
  return { ...evaluate(field, state), state };
};

test('limits are compared as numbers, however they are written', () => {
  const verdict = (min: string, text: string) => {
    const rules = [{ id: 'r', check: { type: 'range', min, max: '0100.0' } as const }];
    const field = compileField(
      { id: 'f', kind: 'number', label: 'F', entry: { decimals: { max: 2 } }, rules },
      { locale: 'en-GB' },
      kinds,
    );
    const state = apply(field, start(field), { type: 'set', text });
    return evaluate(field, state).findings.find((_, i) => field.rules[i]!.id === 'r')!.verdict;
  };
  expect([
    verdict('007', '7'),
    verdict('.5', '0.5'),
    verdict('7', '6.99'),
    verdict('7', '100'),
    verdict('7', '100.01'),
  ]).toEqual(['pass', 'pass', 'fail', 'pass', 'fail']);
});

describe('pasted amounts', () => {
  test.each([
    ['de-DE', '1.234,56', '1234.56', ''],
    ['de-DE', '1,234.56', '1234.56', ''],
    ['de-DE', '1 234,56', '1234.56', ''],
    ['de-DE', '1\u202f234,56 €', '1234.56', ''],
    ['de-DE', "1'234.50", '1234.50', ''],
    ['de-DE', '1’234’567.5', '1234567.5', ''],
    ['de-DE', 'EUR 1.234', '1234', 'group .'],
    ['en-GB', 'EUR 1.234', '1.23', 'decimal .'],
    ['en-GB', '1,234', '1234', 'group ,'],
    ['de-DE', '1,234', '1.23', 'decimal ,'],
    ['en-GB', '1,5', '1.5', ''],
    ['en-GB', '12,34,567.8', '1234567.8', ''],
    ['fr-FR', '1.234', '1234', 'group .'],
    ['fr-FR', '0.123', '0.12', ''],
    ['en-GB', '(12.50)', '-12.50', ''],
    ['en-GB', '−3', '-3', ''],
    ['en-GB', '.5', '0.5', ''],
    ['en-GB', '１２３．４', '123.4', ''],
    ['ar-EG', '١٬٢٣٤٫٥', '1234.5', ''],
    ['en-GB', '€ 1_234', '1234', ''],
  ])('%s: %s is %s', (locale, text, raw, assumed) => {
    const after = typed({ currency: 'EUR', negative: 'minus' }, locale, text);
    expect([after.raw, after.state.body.assumed ?? '']).toEqual([raw, assumed]);
  });

  test('what cannot be held is told: digits over, another currency, other words', () => {
    expect(typed({ currency: 'EUR' }, 'de-DE', '1,239').state.leftOut).toBe('9');
    expect(typed({ currency: 'EUR' }, 'de-DE', '-12,50').state).toMatchObject({ leftOut: '-' });
    expect(typed({ currency: 'EUR' }, 'en-GB', '(3)').state.leftOut).toBe('-');
    expect(typed({ currency: 'JPY' }, 'en-GB', '1234.50').state.leftOut).toBe('50');
    expect(typed({ currency: 'EUR' }, 'de-DE', 'USD 12').state.leftOut).toBe('USD');
    expect(typed({ currency: 'EUR' }, 'de-DE', 'etwa 12,50').state).toMatchObject({ leftOut: 'etwa' });
    expect(typed({ currency: 'EUR' }, 'de-DE', 'zwölf').state).toMatchObject({
      rejected: 'not-accepted',
      leftOut: 'zwölf',
    });
  });

  test.each(['1/2', '5-3', '10 20', '14.02.2027', '1:30', '3+4', '1.23.4', '12,3,4', '1 2 3', '07700 90'])(
    'digits that are no amount together are refused and told: %s',
    (text) => {
      const after = typed({ currency: 'EUR' }, 'en-GB', text);
      expect(after.raw).toBe('');
      expect(after.state).toMatchObject({ rejected: 'not-accepted', leftOut: text.replace(/\D/g, '') });
    },
  );

  test('a digit with a mark is another character, and refused', () => {
    for (const text of ['٣\u0301', '1\u20e3', '７\u200d', '5\u0301'])
      expect(typed({ currency: 'EUR' }, 'en-GB', text).state).toMatchObject({
        rejected: 'not-accepted',
        leftOut: text,
      });
  });

  test('decimals are those of ISO 4217, not what the platform shows of cash', () => {
    const raws = ['HUF', 'IDR', 'IQD', 'JPY', 'CLF', 'KWD', 'EUR'].map(
      (currency) => typed({ currency }, 'en-GB', '12.5').value,
    );
    expect(raws).toEqual(['12.50', '12.50', '12.500', '12', '12.5000', '12.500', '12.50']);
  });

  test('right fill takes a written amount as it is meant, and bare digits as they would be typed', () => {
    const entry = { currency: 'GBP', fill: 'right' } as const;
    expect(typed(entry, 'en-GB', '12.5').raw).toBe('12.50');
    expect(typed(entry, 'en-GB', '1250').raw).toBe('12.50');
  });

  test('a very long paste is done with at once', () => {
    const after = typed({ currency: 'EUR' }, 'en-GB', '1'.repeat(200_000));
    expect(after.raw).toHaveLength(400);
    expect(after.state.leftOut).toHaveLength(199_600);
  });
});

test('finds the currency sign beside a letter whose lower case is longer', () => {
  const entry = { currency: 'GBP', negative: 'minus' } as const;
  expect(typed(entry, 'tr-TR', '-£42,00 İngiliz sterlini').raw).toBe('-42.00');
});

describe('a value from a program or a record', () => {
  test.each(locales)(
    '%s: the point is the decimal sign, and digits too many are left out and told',
    (locale) => {
      for (const most of [0, 1, 2, 4])
        for (const fill of ['left', 'right'] as const)
          fc.assert(
            fc.property(
              fc.nat({ max: 99_999_999 }),
              fc.stringMatching(/^\d{0,6}$/),
              fc.boolean(),
              (whole, rest, isBelow) => {
                const written = `${isBelow ? '-' : ''}${whole}${rest && '.'}${rest}`;
                const entry: NumberEntry = { decimals: { min: 0, max: most }, negative: 'minus', fill };
                const document = { id: 'f', kind: 'number', label: 'F', entry } as FieldDocument;
                const { kind, plan } = compileField(document, { locale }, kinds);
                const { body, leftOut } = kind.parse(plan, written);
                const kept = rest.slice(0, most);
                expect(Number(kind.value(plan, body) ?? kind.raw(plan, body))).toBe(
                  Number(`${isBelow ? '-' : ''}${whole}.${kept}0`),
                );
                expect(leftOut).toBe(rest.slice(most));
              },
            ),
            { numRuns: 10 },
          );
    },
  );
});

import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, start } from '../../field/apply.ts';
import { kinds } from '../registry.ts';
import type { NumberEntry } from './define.ts';

/** What a field says after a paste into it and blur. */
function pasted(kind: 'number' | 'currency' | 'percent', entry: NumberEntry, locale: string, text: string) {
  const document = { id: 'f', kind, label: 'F', entry } as FieldDocument;
  const field = compileField(document, { locale }, kinds);
  const taken = apply(field, start(field), { type: 'paste', text });
  const { body } = apply(field, taken, { type: 'leave' });
  return { value: field.kind.value(field.plan, body), rejected: taken.rejected, leftOut: taken.leftOut };
}

/** Amounts as people write them by hand, on price tags, in invoices and in messages: [text, value]. */
const written: readonly (readonly [locale: string, currency: string, texts: readonly (readonly [string, string])[]])[] = [
  ['en-GB', 'GBP', [['£1,234.50', '1234.50'], ['£ 20', '20.00'], ['GBP 20.-', '20.00'], ['20 pounds', '20.00'], ['£0.50', '0.50'], ['-£5', '-5.00'], ['£-5.00', '-5.00'], ['(5.00)', '-5.00'], ['£20 only', '20.00']]],
  ['en-US', 'USD', [['$1,234.50', '1234.50'], ['US$ 20', '20.00'], ['20 US dollars', '20.00'], ['$.50', '0.50'], ['($5.00)', '-5.00'], ['$20.–', '20.00'], ['USD20', '20.00'], ['20.00 USD', '20.00']]],
  ['en-IN', 'INR', [['₹1,23,456.50', '123456.50'], ['Rs. 100/-', '100.00'], ['Rs 1,00,000/-', '100000.00'], ['INR 50', '50.00'], ['₹ 20/=', '20.00'], ['Rs.20', '20.00']]],
  ['en-CA', 'CAD', [['$1,234.50', '1234.50'], ['CA$20', '20.00'], ['C$ 20.50', '20.50'], ['CAD 5', '5.00']]],
  ['en-AU', 'AUD', [['$1,234.50', '1234.50'], ['A$20', '20.00'], ['AUD 20.50', '20.50']]],
  ['en-NZ', 'NZD', [['$1,234.50', '1234.50'], ['NZ$20', '20.00']]],
  ['en-IE', 'EUR', [['€1,234.50', '1234.50'], ['€20.-', '20.00'], ['20 euro', '20.00']]],
  ['en-ZA', 'ZAR', [['R 1 234,50', '1234.50'], ['R1,234.50', '1234.50'], ['ZAR 20', '20.00']]],
  ['en-KE', 'KES', [['Ksh 1,234.50', '1234.50'], ['100/=', '100.00'], ['KES 20', '20.00']]],
  ['de-DE', 'EUR', [['1.234,50 €', '1234.50'], ['20,- €', '20.00'], ['20,-- EUR', '20.00'], ['20,— €', '20.00'], ['20.- €', '20.00'], ['1234,5', '1234.50'], ['0,50€', '0.50'], ['€ 20', '20.00'], ['20 Euro', '20.00'], ['- 5,00 €', '-5.00'], ['−5 €', '-5.00'], ['EUR 1.234,50', '1234.50']]],
  ['de-AT', 'EUR', [['€ 1.234,50', '1234.50'], ['€ 20,–', '20.00'], ['1 234,50 €', '1234.50'], ['20,-', '20.00']]],
  ['de-CH', 'CHF', [["Fr. 1'234.50", '1234.50'], ['Fr. 20.-', '20.00'], ['20.–', '20.00'], ['CHF 20.--', '20.00'], ['SFr. 20.50', '20.50'], ['1’234.50 Franken', '1234.50'], ['20 Fr.', '20.00'], ['-.50', '-0.50']]],
  ['fr-CH', 'CHF', [["Fr. 1'234.50", '1234.50'], ['20.–', '20.00'], ['CHF 20.-', '20.00'], ['20 francs suisses', '20.00']]],
  ['it-CH', 'CHF', [["fr. 1'234.50", '1234.50'], ['20.–', '20.00']]],
  ['fr-FR', 'EUR', [['1 234,50 €', '1234.50'], ['1\u202f234,50\u00a0€', '1234.50'], ['20 euros', '20.00'], ['20,50', '20.50'], ['0,50 €', '0.50'], ['1.234,50', '1234.50'], ['20 €', '20.00']]],
  ['fr-BE', 'EUR', [['1 234,50 €', '1234.50'], ['20,- €', '20.00'], ['€ 20', '20.00']]],
  ['fr-CA', 'CAD', [['1 234,50 $', '1234.50'], ['20 $', '20.00'], ['20,50 $ CA', '20.50']]],
  ['it-IT', 'EUR', [['1.234,50 €', '1234.50'], ['€ 20', '20.00'], ['20 euro', '20.00'], ['€ 1.234,50', '1234.50']]],
  ['es-ES', 'EUR', [['1234,50 €', '1234.50'], ['1.234,50 €', '1234.50'], ['20 euros', '20.00'], ["0'50 €", '']]],
  ['es-MX', 'MXN', [['$1,234.50', '1234.50'], ['$ 20', '20.00'], ['20 pesos mexicanos', '20.00'], ['MX$20', '20.00']]],
  ['es-AR', 'ARS', [['$ 1.234,50', '1234.50'], ['$20', '20.00'], ['20,-', '20.00']]],
  ['pt-PT', 'EUR', [['1 234,50 €', '1234.50'], ['20 euros', '20.00'], ['20,00€', '20.00'], ['€20', '20.00']]],
  ['pt-BR', 'BRL', [['R$ 1.234,50', '1234.50'], ['R$20', '20.00'], ['20 reais', '20.00'], ['-R$ 5,00', '-5.00']]],
  ['nl-NL', 'EUR', [['€ 1.234,50', '1234.50'], ['€ 20,-', '20.00'], ['€20,--', '20.00'], ['20,= ', '20.00'], ['€ -5,00', '-5.00'], ['20 euro', '20.00']]],
  ['nl-BE', 'EUR', [['€ 1.234,50', '1234.50'], ['20,- euro', '20.00'], ['20 EUR', '20.00']]],
  ['da-DK', 'DKK', [['1.234,50 kr.', '1234.50'], ['20,- kr.', '20.00'], ['kr. 20,00', '20.00'], ['20 kr', '20.00'], ['20,-', '20.00'], ['DKK 20', '20.00']]],
  ['nb-NO', 'NOK', [['kr 1 234,50', '1234.50'], ['20,-', '20.00'], ['kr 20,-', '20.00'], ['20 kr', '20.00'], ['1.234,50 kr', '1234.50']]],
  ['sv-SE', 'SEK', [['1 234,50 kr', '1234.50'], ['20:-', '20.00'], ['1 234:-', '1234.00'], ['20 kr', '20.00'], ['20,50', '20.50'], ['20 kronor', '20.00']]],
  ['fi-FI', 'EUR', [['1 234,50 €', '1234.50'], ['20,- €', '20.00'], ['20 euroa', '20.00'], ['20 e', '20.00']]],
  ['is-IS', 'EUR', [['1.234,50 €', '1234.50'], ['20,- €', '20.00'], ['20 evrur', '20.00']]],
  ['et-EE', 'EUR', [['1 234,50 €', '1234.50'], ['20.- €', '20.00'], ['20 eurot', '20.00']]],
  ['lv-LV', 'EUR', [['1 234,50 €', '1234.50'], ['20,- EUR', '20.00'], ['€ 20', '20.00']]],
  ['lt-LT', 'EUR', [['1 234,50 €', '1234.50'], ['20 Eur', '20.00'], ['20,50 eur', '20.50']]],
  ['pl-PL', 'PLN', [['1 234,50 zł', '1234.50'], ['20 zł', '20.00'], ['20,- zł', '20.00'], ['20,— zł', '20.00'], ['20 PLN', '20.00'], ['1.234,50 zł', '1234.50'], ['5 złotych', '5.00']]],
  ['cs-CZ', 'CZK', [['1 234,50 Kč', '1234.50'], ['20,- Kč', '20.00'], ['20,-', '20.00'], ['Kč 20', '20.00'], ['20,—Kč', '20.00']]],
  ['sk-SK', 'EUR', [['1 234,50 €', '1234.50'], ['20,- €', '20.00'], ['20 eur', '20.00']]],
  ['hu-HU', 'HUF', [['1234,50 Ft', '1234.50'], ['12 345 Ft', '12345.00'], ['20,- Ft', '20.00'], ['20 forint', '20.00'], ['1.234,- Ft', '1234.00']]],
  ['sl-SI', 'EUR', [['1.234,50 €', '1234.50'], ['20 EUR', '20.00'], ['20 evrov', '20.00']]],
  ['hr-HR', 'EUR', [['1.234,50 €', '1234.50'], ['20 eura', '20.00'], ['20,- €', '20.00']]],
  ['ro-RO', 'RON', [['1.234,50 lei', '1234.50'], ['20 RON', '20.00'], ['20 de lei', '20.00']]],
  ['bg-BG', 'EUR', [['1234,50 €', '1234.50'], ['20 евро', '20.00'], ['20,- €', '20.00']]],
  ['el-GR', 'EUR', [['1.234,50 €', '1234.50'], ['20 ευρώ', '20.00'], ['20€', '20.00']]],
  ['tr-TR', 'TRY', [['₺1.234,50', '1234.50'], ['20 TL', '20.00'], ['1.234,50 TL', '1234.50'], ['20,- TL', '20.00'], ['20 Türk lirası', '20.00']]],
  ['uk-UA', 'UAH', [['1 234,50 ₴', '1234.50'], ['20 грн', '20.00'], ['20 грн.', '20.00'], ['20 гривень', '20.00']]],
  ['ru-RU', 'RUB', [['1 234,50 ₽', '1234.50'], ['20 руб.', '20.00'], ['20 р.', '20.00'], ['20 рублей', '20.00'], ['20,- руб', '20.00']]],
  ['he-IL', 'ILS', [['1,234.50 ₪', '1234.50'], ['₪20', '20.00'], ['20 שקלים', '20.00']]],
  ['ar-EG', 'EGP', [['١٬٢٣٤٫٥٠ ج.م.', '1234.50'], ['٢٠ جنيه', '20.00'], ['20 EGP', '20.00'], ['١٢٫٥', '12.50']]],
  ['fa-IR', 'IRR', [['۱٬۲۳۴', '1234.00'], ['۲۰ ریال', '20.00']]],
  ['hi-IN', 'INR', [['₹1,23,456.50', '123456.50'], ['रु. 20/-', '20.00'], ['२० रुपये', '20.00']]],
  ['bn-BD', 'BDT', [['১,২৩৪.৫০৳', '1234.50'], ['২০ টাকা', '20.00'], ['Tk 20/-', '20.00']]],
  ['th-TH', 'THB', [['฿1,234.50', '1234.50'], ['20 บาท', '20.00'], ['20.- ', '20.00'], ['20.-บาท', '20.00']]],
  ['vi-VN', 'VND', [['1.234 ₫', '1234'], ['20.000đ', '20000'], ['20.000 VND', '20000'], ['20.000 đồng', '20000']]],
  ['id-ID', 'IDR', [['Rp 20.000', '20000.00'], ['Rp20.000,00', '20000.00'], ['Rp. 20.000,-', '20000.00'], ['IDR 20.000', '20000.00']]],
  ['ms-MY', 'MYR', [['RM 1,234.50', '1234.50'], ['RM20', '20.00'], ['20 ringgit', '20.00']]],
  ['ja-JP', 'JPY', [['¥1,234', '1234'], ['1,234円', '1234'], ['￥20', '20'], ['２０円', '20'], ['20.-', '20']]],
  ['ko-KR', 'KRW', [['₩1,234', '1234'], ['1,234원', '1234'], ['20 원', '20']]],
  ['zh-CN', 'CNY', [['¥1,234.50', '1234.50'], ['20元', '20.00'], ['RMB 20', '20.00'], ['20 人民币', '20.00']]],
  ['zh-TW', 'TWD', [['$1,234', '1234.00'], ['NT$20', '20.00'], ['20元', '20.00']]],
]; // biome-ignore format: a table

/** Texts of the table that are refused, each with its reason. */
const refused: Readonly<Record<string, string>> = {
  "0'50 €": 'An apostrophe groups thousands elsewhere: five hundred or a half is not certain.',
};

describe('amounts as people write them', () => {
  test.each(written)('%s', (locale, currency, texts) => {
    for (const [text, value] of texts) {
      const read = pasted('currency', { currency, negative: 'minus' }, locale, text);
      expect([text, read.value ?? '']).toEqual([text, value]);
      if (!value) expect(read.rejected).toBe('not-accepted');
    }
  });

  test('nearly all are read, and each refusal has its reason', () => {
    const all = written.flatMap(([, , texts]) => texts);
    const not = all.filter(([, value]) => !value).map(([text]) => text);
    expect(not.sort()).toEqual(Object.keys(refused).sort());
    expect(not.length / all.length).toBeLessThan(0.02);
    expect(written.length).toBeGreaterThanOrEqual(40);
  });
});

describe('what is no minus', () => {
  test.each([
    ['INV-100', '100.00', 'INV-'],
    ['100 EUR - paid', '100.00', 'paid'],
    ['paid - 100', '100.00', 'paid-'],
    ['Fr. 20.-', '20.00', 'Fr'],
    ['20,–', '20.00', ''],
    ['ref-7: 3', '', 'ref73'],
    ['12-', '', '12'],
    ['12.50 -', '', '1250'],
  ])('%s', (text, value, leftOut) => {
    const read = pasted('currency', { currency: 'EUR', negative: 'minus' }, 'en-GB', text);
    expect([read.value ?? '', read.leftOut]).toEqual([value, leftOut]);
  });

  test('words with dashes behind a percentage and a temperature', () => {
    expect(pasted('percent', { negative: 'minus' }, 'en-GB', '10% pre-tax').value).toBe('10');
    expect(pasted('number', { negative: 'minus', unit: 'celsius' }, 'hu-HU', '21 Celsius-fok').value).toBe(
      '21',
    );
  });
});

describe('what would be another amount is refused or told', () => {
  test.each([
    ['$20', '20.00', '$'],
    ['20%', '20.00', '%'],
    ['<20', '20.00', '<'],
    ['#20', '20.00', '#'],
    ['1.5k', '', '15k'],
    ['20 Mio.', '', '20Mio'],
    ['2 lakh', '', '2lakh'],
    ['1e5', '', '1e5'],
    ["0'500", '', '0500'],
    ['0 500', '', '0500'],
    ['01,234.50', '', '0123450'],
  ])('%s', (text, value, leftOut) => {
    const read = pasted('currency', { currency: 'EUR' }, 'en-GB', text);
    expect([read.value ?? '', read.leftOut]).toEqual([value, leftOut]);
  });
});

test.each([
  ['de-DE', 'kilogram', '0.250 kg', '0.250'],
  ['de-DE', 'kilogram', '0,250', '0.250'],
  ['de-DE', 'kilogram', '1.234', '1234'],
  ['de-DE', 'kilogram', '1.234,5 Kilogramm', '1234.5'],
  ['en-GB', 'kilogram', '1,234', '1234'],
  ['en-GB', 'kilogram', '0,234', '0.234'],
  ['de-CH', 'kilogram', "1'234.5", '1234.5'],
])('where three decimals are possible: %s %s, %s', (locale, unit, text, value) => {
  for (const type of ['paste', 'autofill'] as const) {
    const field = compileField(
      { id: 'f', kind: 'number', label: 'F', entry: { unit, decimals: { max: 3 } } },
      { locale },
      kinds,
    );
    const { body } = apply(field, start(field), { type, text });
    expect([type, field.kind.value(field.plan, body)]).toEqual([type, value]);
  }
});

test.each([
  ['6.', '6.00'],
  ['6.-', '6.00'],
  ['100.-', '100.00'],
  ['6.5', '6.50'],
  ['1,234.50', '1234.50'],
])('cents first, whole texts: %s', (text, value) => {
  expect(pasted('currency', { currency: 'GBP', fill: 'right' }, 'en-GB', text).value).toBe(value);
});

test('the caret is never inside of a sign, also after nothing of it could be cut', () => {
  for (const [locale, entry] of [
    ['en-GB', { currency: 'CHF', negative: 'minus' }],
    ['en-US', { currency: 'CHF', negative: 'parentheses' }],
    ['de-CH', { currency: 'CHF', negative: 'minus' }],
  ] as const) {
    const field = compileField({ id: 'f', kind: 'currency', label: 'F', entry }, { locale }, kinds);
    const full = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'paste', text: '-12' });
    const digits = full.body.display.indexOf('12');
    const sign = full.body.display.search(/[-(]/);
    for (let from = 0; from <= digits; from++)
      for (let to = from; to <= digits; to++) {
        const selected = apply(field, full, { type: 'select', start: from, end: to });
        const cut = apply(field, selected, { type: 'cut' });
        const at = cut.body.display.indexOf('12');
        expect([from, to, cut.start === at || (cut.body.content === '-12' && cut.start === sign)]).toEqual([
          from,
          to,
          true,
        ]);
      }
  }
});

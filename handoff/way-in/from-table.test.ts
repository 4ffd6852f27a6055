import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fromTable, namesIn, rowsOf } from './from-table.ts';
import { seed } from './seen.ts';

describe('a table of names and examples', () => {
  const guessed = (text: string) => {
    const rows = rowsOf(text);
    return fromTable(rows, namesIn(rows)).map(({ name, guesses }) => `${name}: ${guesses[0]!.what}`);
  };
  test('names above the columns, whatever stands between the cells', () => {
    const cells = [
      ['Guest', 'Mobile', 'Arrival', 'Deposit', 'Pass', 'Guests', 'Hut', 'Dog', 'Mail'],
      [
        'A. Guest',
        '07700 900123',
        '2027-02-14',
        '£20.00',
        'AB-1234',
        '2',
        'Windgap',
        'yes',
        'a@huts.example',
      ],
      [
        'B. Guest',
        '07700 900124',
        '2027-03-01',
        '£35.50',
        'CD-5678',
        '14',
        'Two Tarns',
        'no',
        'b@huts.example',
      ],
      [
        'C. Guest',
        '07700 900125',
        '2027-03-02',
        '£120.00',
        'EF-9012',
        '3',
        'Windgap',
        'no',
        'c@huts.example',
      ],
      [
        'D. Guest',
        '07700 900126',
        '2027-03-04',
        '£25.00',
        'GH-3456',
        '4',
        'Two Tarns',
        'yes',
        'd@huts.example',
      ],
    ];
    for (const sign of ['\t', ',', ';'])
      expect(guessed(cells.map((row) => row.join(sign)).join('\n'))).toEqual([
        'Guest: a text', 'Mobile: a telephone number', 'Arrival: a date', 'Deposit: an amount in GBP', 'Pass: <2 latin upper>-<4 digit>', 'Guests: a number', 'Hut: one of a few', 'Dog: yes or no',
        'Mail: an e-mail address',
      ]); // biome-ignore format: a list
  });
  test('names before the rows', () => {
    expect(guessed('Telephone\t07700 900123\nMember number\tRH-0042-WM6\nKey-box PIN\t1357\nWalk-in\t1:30\nDiscount\t12.5%\nConfirmation code\t123456')).toEqual([
      'Telephone: a telephone number', 'Member number: <2 latin upper>-<4 digit>-<2 latin upper><digit>', 'Key-box PIN: a PIN', 'Walk-in: a time', 'Discount: a percentage', 'Confirmation code: a one-time code',
    ]); // biome-ignore format: a list
  });
  test('every guess takes all of its examples, and the last is a text', () => {
    const cell = fc.oneof(
      fc.constantFrom(
        '2027-02-14',
        '£20.00',
        'AB-1234',
        '12',
        '0042',
        'yes',
        '',
        '07700 900123',
        '1,234.50',
        '12:30 pm',
        'a@b.example',
        '50%',
      ),
      fc.string({ maxLength: 8 }),
    );
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 6 }),
        fc.constantFrom('above' as const, 'before' as const),
        (rows, names) => {
          for (const { guesses } of fromTable(rows, names)) {
            expect(guesses.at(-1)!.what).toBe('a text');
            const set = { arbeit: 1, title: 'T', locale: 'en-GB', fields: [guesses[0]!.field] };
            const result = readDocument(set, kinds);
            expect([guesses[0], result.ok ? [] : result.faults]).toEqual([guesses[0], []]);
          }
        },
      ),
      { numRuns: 300, seed },
    );
  });
});

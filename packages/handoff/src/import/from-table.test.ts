import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { beginningOf, fromTable, localeIn, namesIn, rowsOf } from './from-table.ts';
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
        'Guest: text', 'Mobile: phone number', 'Arrival: date', 'Deposit: amount in GBP', 'Pass: <2 latin upper>-<4 digit>', 'Guests: number', 'Hut: choice', 'Dog: yes or no',
        'Mail: e-mail address',
      ]); // biome-ignore format: a list
  });
  test('names before the rows', () => {
    expect(guessed('Telephone\t07700 900123\nMember number\tRH-0042-WM6\nKey-box PIN\t1357\nWalk-in\t1:30\nDiscount\t12.5%\nConfirmation code\t123456')).toEqual([
      'Telephone: phone number', 'Member number: <2 latin upper>-<4 digit>-<2 latin upper><digit>', 'Key-box PIN: PIN', 'Walk-in: time', 'Discount: percentage', 'Confirmation code: one-time code',
    ]); // biome-ignore format: a list
  });
  test.each([
    ['codes in the first column', 'Pass,Guests,Nights\nRH-1000,1,1\nRH-1001,2,1\nRH-1002,3,1', 'above'],
    [
      'codes in the first column, and little in the last',
      `Pass,Guests,Nights\n${Array.from({ length: 30 }, (_, i) => `RH-${1000 + i},${i + 2},1`).join('\n')}`,
      'above',
    ],
    ['a name and an example a row', 'Guests,2\nPass,RH-1000\nNights,1', 'before'],
    ['numbered names', 'line 1,2 Ridge Way\nline 2,Windgap\nline 3,3', 'before'],
    ['numbered names above', 'q1,q2,q3\n1,2,3\n4,5,6', 'above'],
  ] as const)('names are found: %s', (_, text, names) => expect(namesIn(rowsOf(text))).toBe(names));

  /** What each column is taken for first, in the locale the cells are written in. */
  const first = (text: string): readonly string[] => {
    const rows = rowsOf(text);
    return fromTable(rows, namesIn(rows), localeIn(rows)).map(({ guesses }) => guesses[0]!.what);
  };
  test.each([
    ['German cells', 'PLZ;Preis;Menge;Fläche;Aktiv;Datum\n08001;1.234,50 €;1.000;1,5;ja;31.12.2026\n01067;12,00 €;25;2,25;nein;01.02.2027', ['<5 digit>', 'amount in EUR', 'number', 'number', 'choice', 'date']],
    ['American cells', 'Ship date,Phone,Paid\n02/14/2027,(201) 555-0123,$12.00\n12/31/2027,(201) 555-0199,$3.50', ['date', 'phone number', 'amount in USD']],
    ['what machines call things', 'mac,hex,uuid,net,page\n00:1A:2B:3C:4D:5E,#2a6f4e,123e4567-e89b-12d3-a456-426614174000,192.0.2.1,https://huts.example/a\nAA:BB:CC:DD:EE:FF,#00ff00,123e4567-e89b-12d3-a456-426614174001,198.51.100.12,https://huts.example', ['MAC address', 'colour', 'UUID', 'an IPv4 address', 'web address (URL)']],
    ['check digits that all have', 'IBAN,Card,Count\nDE89 3704 0044 0532 0130 00,4111 1111 1111 1111,12\nDE02 1203 0000 0000 2020 51,5500 0000 0000 0004,1 234\n,4012 8888 8888 1881,5', ['DE<2 digit> <4 digit> <4 digit> <4 digit> <4 digit> <2 digit>, with check digits', '<4 digit> <4 digit> <4 digit> <4 digit>, with check digits', 'number']],
    ['check digits that one has not', 'IBAN,Card\nDE89 3704 0044 0532 0130 00,4111 1111 1111 1111\nDE02 1203 0000 0000 2020 52,5500 0000 0000 0005', ['DE<2 digit> <4 digit> <4 digit> <4 digit> <4 digit> <2 digit>', '<4 digit> <4 digit> <4 digit> <4 digit>']],
    ['a table drawn in a text', '| Hut | Beds |\n|-----|-----:|\n| A "1" | 12 |\n| B | 8 |', ['text', 'number']],
    ['a table of a terminal', ' id | pass\n----+---------\n  1 | AB-1234\n  2 | CD-5678\n(2 rows)', ['number', '<2 latin upper>-<4 digit>']],
    ['duration', 'Walk,Takes,Opens\n2 h 30 min,1:30,8:30\n45 min,0:45,19:00', ['duration', 'duration', 'time']],
    ['a post code and a code', 'Post code,Door code\n12345,123456\n54321,654321', ['<5 digit>', 'one-time code']],
  ])('%s', (_, text, what) => {
    expect(first(text)).toEqual(what);
  }); // biome-ignore format: a table a line

  describe('a few cells that do not fit', () => {
    const column = (name: string, cells: readonly string[], locale = 'en-GB') =>
      fromTable([[name], ...cells.map((cell) => [cell])], 'above', locale)[0]!;
    const days = Array.from({ length: 40 }, (_, i) => `2027-03-${String((i % 28) + 1).padStart(2, '0')}`);

    test('make no text of a column: they are listed by row', () => {
      const { guesses } = column('Arrival', [...days.slice(0, 17), 'n/a', ...days.slice(17), '?']);
      const misfits = [
        { row: 19, text: 'n/a' },
        { row: 43, text: '?' },
      ];
      expect(guesses[0]).toMatchObject({ what: 'date', misfits });
      expect(guesses.at(-1)).toMatchObject({ what: 'text', misfits: [] }); // biome-ignore format: short
      const sums = Array.from({ length: 30 }, (_, i) => `£${i + 1}.50`);
      expect(column('Deposit', [...sums, 'free']).guesses[0]).toMatchObject({
        what: 'amount in GBP',
        misfits: [{ row: 32, text: 'free' }],
      });
    });

    test('are few: one in twenty, none of less than ten', () => {
      expect(column('Arrival', [...days.slice(0, 8), 'n/a']).guesses[0]?.what).toBe('text');
      expect(column('Arrival', [...days.slice(0, 18), 'n/a', 'soon']).guesses[0]?.what).toBe('text');
      expect(column('Arrival', [...days.slice(0, 9), 'n/a']).guesses[0]?.what).toBe('date');
    });

    test('are counted by row, however often the same is in them', () => {
      const codes = Array.from({ length: 300 }, (_, i) => `RH-${1000 + i}`);
      const guessed = (count: number) => column('Pass', [...codes, ...Array(count).fill('RH-12')]).guesses[0];
      expect(guessed(15)?.misfits).toHaveLength(15);
      expect(guessed(20)?.what).toBe('text');
    });

    test.each([
      ['few different numbers', '1234567890', 'many', 'number'],
      ['a few numbers, as of a list to choose from', '1234', 'many', 'number'],
      ['names to choose from', 'ABC', 'd', 'choice'],
    ])('make no look of their own: %s', (_, characters, odd, what) => {
      const cells = Array.from({ length: 60 }, (_, i) => characters[i % characters.length]!);
      const [guess] = column('Guests', [...cells, odd]).guesses;
      expect([guess?.what, guess?.misfits.length]).toEqual([what, what === 'choice' ? 0 : 1]);
    });

    test('are found behind the cells that the guess is made of', () => {
      const many = Array.from({ length: 1500 }, (_, i) => `RH-${String(i).padStart(4, '0')}`);
      const { guesses } = column('Pass', [...many, 'RH-12']);
      expect(guesses[0]).toMatchObject({ what: 'RH-<4 digit>', misfits: [{ row: 1502, text: 'RH-12' }] });
    });

    test('wherever they are: all rows are looked at', () => {
      const many = Array.from({ length: 6000 }, (_, i) => `RH-${String(i).padStart(4, '0')}`);
      expect(column('Pass', [...many, 'soon']).guesses[0]).toMatchObject({
        what: 'RH-<4 digit>',
        misfits: [{ row: 6002, text: 'soon' }],
      });
      const others = Array.from({ length: 400 }, (_, i) => `later ${i}`);
      expect(column('Pass', [...many, ...others]).guesses.map(({ what }) => what)).toEqual(['text']);
    });

    test('have the row that they have in a spreadsheet, blank ones counted', () => {
      const days = Array.from({ length: 12 }, (_, i) => `2027-03-${10 + i},${i}`);
      const rows = rowsOf(`\n\nArrival,Guests\n${days.slice(0, 6).join('\n')}\n\n,\n${days.slice(6).join('\n')}\nsoon,1\n\n\n`);
      expect(namesIn(rows)).toBe('above');
      const [arrival, guests] = fromTable(rows, 'above');
      expect([arrival?.guesses[0]?.what, arrival?.guesses[0]?.misfits]).toEqual(['date', [{ row: 18, text: 'soon' }]]);
      expect(guests?.guesses[0]?.what).toBe('number');
    }); // biome-ignore format: a text

    test('before the rows, the number is that of the column', () => {
      const days = Array.from({ length: 12 }, (_, i) => `2027-03-${10 + i}`);
      const rows = rowsOf(
        `Arrival;${days.join(';')};soon\n\nHut;${days.map(() => 'Two Tarns').join(';')};Windgap`,
      );
      const [arrival, hut] = fromTable(rows, 'before');
      expect([arrival?.guesses[0]?.misfits, hut?.name]).toEqual([[{ row: 14, text: 'soon' }], 'Hut']);
    });

    test('a column in another locale than the table is read in its own', () => {
      const { guesses } = column('Preis', ['1.234,50', '20,00', '7,25'], 'en-GB');
      expect([guesses[0]?.what, guesses[0]?.field.locale]).toEqual(['number', 'de-DE']);
    });
  });

  test('what was looked through is told from nothing on, and never falls', () => {
    const rows = [['Arrival', 'Pass'], ...Array.from({ length: 3000 }, (_, i) => [`${i % 28} soon ${i}`, `RH-${i}`])];
    // Taken for numbers, until too many are none; then read once more without those that look otherwise.
    const numbers = Array.from({ length: 6000 }, (_, i) => [i < 5650 ? `${i}` : i < 5900 ? `later than ${i}` : `${i} or so`]);
    const again: number[] = [];
    fromTable([['Guests'], ...numbers], 'above', 'en-GB', (share) => again.push(share));
    expect(again.length).toBeGreaterThan(6);
    expect([...again].sort((a, b) => a - b)).toEqual(again);
    const shares: number[] = [];
    fromTable(rows, 'above', 'en-GB', (share) => shares.push(share));
    expect(shares[0]).toBeLessThan(0.5);
    expect(shares.at(-1)).toBeGreaterThan(0.5);
    expect(shares.at(-1)).toBeLessThan(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  }); // biome-ignore format: a table

  test('the different cells are counted, however many examples are given', () => {
    const rows = [['Pass'], ...Array.from({ length: 600 }, (_, i) => [`RH-${1000 + (i % 300)}`]), ['']];
    const [pass] = fromTable(rows, 'above');
    expect([pass?.different, pass?.examples.length]).toEqual([300, 200]);
  });

  test('the beginning of a long table has so many lines, and whole cells', () => {
    const text = 'A,B\n1,2\n"3\n""4\n",5\n6,7\n';
    const counts = [0, 1, 2, 3, 5, 9].map((lines) => rowsOf(beginningOf(text, lines)).length);
    expect(counts).toEqual([0, 1, 2, 3, 3, 4]);
    expect(rowsOf(beginningOf(text, 3)).at(-1)).toEqual(['3\n"4\n', '5']);
    expect([beginningOf(text, 9), beginningOf('', 9)]).toEqual([text, '']);
  });

  test('check digits are held', () => {
    const rows = rowsOf('IBAN\nDE89 3704 0044 0532 0130 00\nDE02 1203 0000 0000 2020 51');
    expect(fromTable(rows, 'above')[0]!.guesses[0]!.field.rules).toEqual([
      { id: 'check', check: { type: 'checksum', scheme: 'mod97', rotate: 4 } },
    ]);
  });

  test.each([
    ['en-GB', '01/02/2027'],
    ['en-GB', '31/12/2027,02/13/2027'],
    ['en-US', '02/13/2027'],
    ['en-US', '(201) 555-0123'],
    ['de-DE', '1.234,5'],
    ['de-DE', '31.12.2027'],
    ['en-GB', '1.234,1,234.50'],
  ])('%s is what %s is written in', (locale, cells) => {
    expect(localeIn([cells.split(/,(?=\d\d\/)/)])).toBe(locale);
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
            expect(guesses.at(-1)!.what).toBe('text');
            const set = { arbeit: 2, title: 'T', locale: 'en-GB', fields: [guesses[0]!.field] };
            const result = readDocument(set, kinds);
            expect([guesses[0], result.ok ? [] : result.faults]).toEqual([guesses[0], []]);
          }
        },
      ),
      { numRuns: 300, seed },
    );
  });
});

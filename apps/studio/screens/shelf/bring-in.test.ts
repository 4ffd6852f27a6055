import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import { guessOf, mostRows, previewImport, setOfColumns, wantedOf } from './import-preview.ts';

const sound = (set: object) => readDocument(structuredClone(set), kinds).ok;

describe('what is brought in, to be confirmed', () => {
  test('an HTML form: all of it, or the fields that are wanted with the form of those', () => {
    const brought = previewImport(
      '<form aria-label="Booking"><input name="a"><input name="b"><input type="file" name="c"></form>',
      'html',
    );
    if (brought.is !== 'set') throw new RangeError(brought.is);
    expect(brought.lost).toHaveLength(1);
    expect(wantedOf(brought.set, new Set(['a', 'b']))).toBe(brought.set);
    const one = wantedOf(brought.set, new Set(['b']));
    expect([one.fields.map(({ id }) => id), one.forms?.[0]?.fields, sound(one)]).toEqual([
      ['b'],
      ['b'],
      true,
    ]);
    expect(wantedOf(brought.set, new Set())).not.toHaveProperty('forms');
  });

  test('a form in sections keeps those of its fields that are wanted', () => {
    const brought = previewImport(
      '<form aria-label="Booking"><input name="a"><fieldset><legend>Where</legend><input name="b"><input name="c"></fieldset><fieldset><legend>When</legend><input name="d"></fieldset></form>',
      'html',
    );
    if (brought.is !== 'set') throw new RangeError(brought.is);
    const some = wantedOf(brought.set, new Set(['a', 'c']));
    expect([some.forms?.[0]?.sections, sound(some)]).toEqual([
      [{ fields: ['a'] }, { title: 'Where', fields: ['c'] }],
      true,
    ]);
    expect(wantedOf(brought.set, new Set())).not.toHaveProperty('forms');
  });

  test('a table: the guess that is chosen, of the columns that are wanted', () => {
    const brought = previewImport('Guest,Pass\nA. Guest,AB-1234\nB. Guest,CD-5678', 'table');
    if (brought.is !== 'columns') throw new RangeError(brought.is);
    const { columns } = brought;
    const all = setOfColumns({ title: 'Huts', locale: 'en-GB' }, columns, new Map(), new Set());
    expect([all.fields.map(({ kind }) => kind), sound(all)]).toEqual([['text', 'pattern'], true]);
    const about = { title: 'Huts', locale: 'en-GB' };
    expect(setOfColumns(about, columns, new Map([['pass', 'text']]), new Set(['guest'])).fields).toEqual([
      { id: 'pass', kind: 'text', label: 'Pass', entry: {} },
    ]);
  });

  test('two columns of one name are two fields, each as it is said', () => {
    const brought = previewImport('Pass,Pass\nAB-1234,1\nCD-5678,2', 'table', { names: 'above' });
    if (brought.is !== 'columns') throw new RangeError(brought.is);
    const set = setOfColumns({ title: 'T', locale: 'en-GB' }, brought.columns, new Map([['pass', 'text']]), new Set()); // biome-ignore format: a call
    expect(set.fields.map(({ kind, label }) => [kind, label])).toEqual([
      ['text', 'Pass'],
      ['number', 'Pass'],
    ]);
    // What somebody said is kept where all rows allow it, and gives way to the likeliest where not.
    expect(brought.columns.map((column) => guessOf(column, new Map([['pass', 'date']]))?.what)).toEqual([
      '<2 latin upper>-<4 digit>',
      'number',
    ]);
  });

  test('of a long table the first rows are shown, and that there are more is said', () => {
    const text = ['Guests', ...Array.from({ length: mostRows + 100 }, (_, i) => i)].join('\n');
    const long = previewImport(text, 'table');
    expect(long).toMatchObject({ is: 'columns', isPart: true });
    expect(long.is === 'columns' && long.columns[0]?.guesses[0]?.what).toBe('number');
    for (const lines of [2, mostRows]) {
      const short = `${text.split('\n').slice(0, lines).join('\n')}\n\n`;
      expect(previewImport(short, 'table')).toMatchObject({ is: 'columns', isPart: false });
    }
  });

  test('where the names stand can be said otherwise', () => {
    const text = 'Guest,A. Guest\nPass,AB-1234\nPIN,1357';
    expect(previewImport(text, 'table')).toMatchObject({
      is: 'columns',
      names: 'before',
      columns: [{ name: 'Guest' }, { name: 'Pass' }, { name: 'PIN' }],
    });
    expect(previewImport(text, 'table', { names: 'above' })).toMatchObject({
      names: 'above',
      columns: [{ name: 'Guest' }, { name: 'A. Guest' }],
    });
  });

  test('the locale of a table is found, and can be said otherwise', () => {
    const text = 'Menge;Preis\n1.000;2,50 €\n25;3,00 €';
    const decimals = (brought: ReturnType<typeof previewImport>) =>
      brought.is === 'columns' ? [brought.locale, brought.columns[0]!.guesses[0]!.field.entry] : brought;
    expect(decimals(previewImport(text, 'table'))).toEqual(['de-DE', {}]);
    expect(decimals(previewImport(text, 'table', { locale: 'en-GB' }))).toEqual([
      'en-GB',
      { decimals: { max: 3 } },
    ]);
  });

  test.each([
    ['html', '<p>nothing</p>', /No form controls/],
    ['schema', '{', /Invalid JSON/],
    ['schema', '[]', /JSON object/],
    ['table', '', /No column names/],
    ['table', '"a', /not a valid table|No column names/],
  ] as const)('%s that is none: %s', (sort, text, why) => {
    expect(previewImport(text, sort)).toEqual({ is: 'nothing', why: expect.stringMatching(why) });
  });
});

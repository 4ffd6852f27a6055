import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import { broughtFrom, setOfColumns, wantedOf } from './bring-in.ts';

const sound = (set: object) => readDocument(structuredClone(set), kinds).ok;

describe('what is brought in, to be confirmed', () => {
  test('an HTML form: all of it, or the fields that are wanted with the form of those', () => {
    const brought = broughtFrom(
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

  test('a table: the guess that is chosen, of the columns that are wanted', () => {
    const brought = broughtFrom('Guest,Pass\nA. Guest,AB-1234\nB. Guest,CD-5678', 'table');
    if (brought.is !== 'columns') throw new RangeError(brought.is);
    const { columns } = brought;
    const all = setOfColumns('Huts', columns, new Map(), new Set(['Guest', 'Pass']));
    expect([all.fields.map(({ kind }) => kind), sound(all)]).toEqual([['text', 'pattern'], true]);
    const last = columns[1]!.guesses.length - 1;
    expect(setOfColumns('Huts', columns, new Map([['Pass', last]]), new Set(['Pass'])).fields).toEqual([
      { id: 'pass', kind: 'text', label: 'Pass', entry: {} },
    ]);
  });

  test('where the names stand can be said otherwise', () => {
    const text = 'Guest,A. Guest\nPass,AB-1234\nPIN,1357';
    expect(broughtFrom(text, 'table')).toMatchObject({
      is: 'columns',
      names: 'before',
      columns: [{ name: 'Guest' }, { name: 'Pass' }, { name: 'PIN' }],
    });
    expect(broughtFrom(text, 'table', 'above')).toMatchObject({
      names: 'above',
      columns: [{ name: 'Guest' }, { name: 'A. Guest' }],
    });
  });

  test.each([
    ['html', '<p>nothing</p>', /no input, list or text area/],
    ['schema', '{', /not JSON/],
    ['schema', '[]', /no object/],
    ['table', '', /no name in it/],
    ['table', '"a', /no table|no name/],
  ] as const)('%s that is none: %s', (sort, text, why) => {
    expect(broughtFrom(text, sort)).toEqual({ is: 'nothing', why: expect.stringMatching(why) });
  });
});

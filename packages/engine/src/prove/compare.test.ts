import { describe, expect, test } from 'vitest';
import type { SetDocument } from '../document/document.ts';
import { readDocument } from '../document/read-document.ts';
import { kinds } from '../kinds/registry.ts';
import type { Automaton } from '../rules/automaton-data.ts';
import { distinguishingText } from '../rules/difference.ts';
import { parseExpression } from '../rules/expression.ts';
import { type Compared, compareSets } from './compare.ts';

const setOf = (fields: readonly object[], more: object = {}): SetDocument => {
  const read = readDocument({ arbeit: 2, title: 'T', locale: 'en-GB', fields, ...more }, kinds);
  if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
  return read.document;
};
const compared = (before: SetDocument, after: SetDocument): readonly Compared[] => [
  ...compareSets(before, after, kinds, '2027-02-10'),
];
const pattern = (text: string) => ({ id: 'a', kind: 'pattern', label: 'A', entry: { pattern: text } });
const price = (max: string, label = 'A') => ({ id: 'a', kind: 'currency', label, entry: { currency: 'GBP' }, rules: [{ id: 'most', check: { type: 'range', max } }] }); // biome-ignore format: a field

describe('two sets by what they do', () => {
  test('what is new, gone, the same', () => {
    const other = { id: 'b', kind: 'text', label: 'B', entry: {} };
    expect(compared(setOf([price('500'), other]), setOf([price('500'), { ...other, id: 'c' }])).map(({ target, is }) => [target.id, is])).toEqual([
      ['a', 'same'], ['b', 'removed'], ['c', 'added'],
    ]); // biome-ignore format: a list
  });

  test('a limit that moved, by a tape that goes beside it, with what each of the two shows', () => {
    const [one] = compared(setOf([price('500')]), setOf([price('600')]));
    expect(one).toMatchObject({ is: 'other', tape: { before: ['expect flags !valid'], after: ['expect flags valid'] } }); // biome-ignore format: a tape
    expect(one!.tape!.actions.join()).toMatch(/^(?:set|type) "501/);
  });

  test('other words alone are no other behaviour', () => {
    expect(compared(setOf([price('500')]), setOf([price('500', 'Price')]))[0]).toMatchObject({
      is: 'alike',
      name: 'Price',
    });
  });

  test('the values that only one takes, exactly: the shortest, in either direction, or none', () => {
    expect(compared(setOf([pattern('<2 digit>')]), setOf([pattern('<2-3 digit>')]))[0]).toMatchObject({ is: 'other', values: { after: expect.stringMatching(/^\d{3}$/) } }); // biome-ignore format: a value
    const [wider] = compared(setOf([pattern('<2 digit>')]), setOf([pattern('<2-3 digit>')]));
    expect(wider!.values).not.toHaveProperty('before');
    expect(compared(setOf([pattern('<2 digit>')]), setOf([pattern('<3 digit>')]))[0]!.values).toEqual({ before: expect.stringMatching(/^\d{2}$/), after: expect.stringMatching(/^\d{3}$/) }); // biome-ignore format: a value
  });

  test('a rule across fields, in its form', () => {
    const day = (id: string) => ({ id, kind: 'date', label: id, entry: {} });
    const form = (op: string) => ({ forms: [{ id: 'f', fields: ['x', 'y'], rules: [{ id: 'order', field: 'y', check: { type: 'compare', op, field: 'x' } }] }] }); // biome-ignore format: a form
    const all = compared(
      setOf([day('x'), day('y')], form('after')),
      setOf([day('x'), day('y')], form('not-before')),
    );
    expect(all.map(({ target, is }) => [target.id, is])).toEqual([
      ['x', 'same'],
      ['y', 'same'],
      ['f', 'other'],
    ]);
  });
});

describe('texts that tell two expressions apart', () => {
  const of = (text: string): Automaton => {
    const read = parseExpression(text);
    if ('message' in read) throw new RangeError(read.message);
    return read;
  };
  test.each<[string, string, string | undefined]>([
    ['[ab]c', '[a-b]c', undefined],
    ['a{2,3}', 'aa|aaa', undefined],
    ['a+', 'a', 'aa'],
    ['[a-z]', '[a-y]', 'z'],
    ['\\d\\d', '\\d', expect.any(String)],
  ])('%s and %s', (a, b, apart) => expect(distinguishingText(of(a), of(b))).toEqual(apart));

  test('of one alone; and none said to be none where the states are too many', () => {
    expect(distinguishingText(of('a'), of('a|b'), undefined, true)).toBeUndefined();
    expect(distinguishingText(of('a|b'), of('a'), undefined, true)).toBe('b');
    expect(
      distinguishingText(of('(?:a|b)*a(?:a|b){9}'), of('(?:a|b)*a(?:a|b){9}c?'), { left: 50 }),
    ).toBeNull();
  });
});

import { expect, test } from 'vitest';
import { kinds } from '../kinds/registry.ts';
import { readDocument } from './read-document.ts';

const date = (id: string, more: object = {}) => ({ id, kind: 'date', label: id, entry: {}, ...more });
const dog = { id: 'dog', kind: 'yes-no', label: 'Dog', entry: { draw: 'radio' } };
const hut = {
  id: 'hut',
  kind: 'choice',
  label: 'Hut',
  entry: { options: [{ value: 'tarn', label: 'Tarn' }, { value: 'larch', label: 'Larch' }] },
}; // biome-ignore format: short
const price = { id: 'price', kind: 'currency', label: 'Price', entry: { currency: 'GBP' } };
const set = (fields: readonly object[], forms: readonly object[] = []) => ({
  arbeit: 2,
  title: 'T',
  locale: 'en-GB',
  fields,
  forms,
});
const rule = (check: object, more: object = {}) => ({ id: 'r', check, ...more });
const compare = (op: string, field: string, more: object = {}) => ({ type: 'compare', op, field, ...more });

test.each<[string, object, string, RegExp]>([
  ['a condition on no field', set([date('a', { when: { field: 'dgo', is: true } }), dog]), '$.fields[0].when.field', /No field has the id "dgo"/],
  ['a condition deep inside', set([date('a', { when: { all: [{ not: { field: 'x', is: null } }] } })]), '$.fields[0].when.all[0].not.field', /"x"/],
  ['a condition that never holds', set([date('a', { when: { field: 'hut', is: 'trn' } }), hut]), '$.fields[0].when.is', /"trn" is not a possible value of "hut". Expected "tarn" or "larch"/],
  ['one of several that never holds', set([date('a', { when: { field: 'dog', is: [true, 'maybe'] } }), dog]), '$.fields[0].when.is[1]', /"maybe" is not a possible value/],
  ['conditions in a circle', set([date('a', { when: { field: 'b', is: null } }), date('b', { when: { field: 'a', is: null } })]), '$.fields[0].when', /Circular condition: a -> b -> a/],
  ['a field compared with itself', set([date('a', { rules: [rule(compare('after', 'a'))] })]), '$.fields[0].rules[0].check.field', /compared with itself/],
  ['a day compared with an amount', set([date('a', { rules: [rule(compare('after', 'price'))] }), price, date('b')]), '$.fields[0].rules[0].check.field', /A date field cannot be compared with a money field/],
  ['a comparison the kind does not know', set([date('a', { rules: [rule(compare('above', 'b'))] }), date('b')]), '$.fields[0].rules[0].check.op', /cannot be compared by "above"/],
  ['days that are not said', set([date('a', { rules: [rule(compare('at-most-days', 'b'))] }), date('b')]), '$.fields[0].rules[0].check.days', /missing/],
  ['code given a field there is not', set([date('a', { rules: [rule({ type: 'custom', code: 'export default () => {}', with: ['b'] })] })]), '$.fields[0].rules[0].check.with[0]', /"b"/],
  ['a question to another server', set([date('a', { rules: [rule({ type: 'remote', ask: '//huts.example/passes' })] })]), '$.fields[0].rules[0].check.ask', /path on the same origin/],
  ['a form that lacks what a field depends on', set([date('a', { when: { field: 'dog', is: true } }), dog], [{ id: 'f', fields: ['a'] }]), '$.forms[0]', /must include "dog", because "a"/],
  ['a rule of a form about a field it has not', set([date('a'), date('b')], [{ id: 'f', fields: ['a'], rules: [{ ...rule(compare('after', 'b')), field: 'a' }] }]), '$.forms[0].rules[0].check.field', /The form has no field "b"/],
  ['a form completed by a field it has not', set([date('a'), dog], [{ id: 'f', fields: ['a'], completes: 'dog' }]), '$.forms[0].completes', /no field "dog"/],
  ['fields and sections', set([date('a')], [{ id: 'f', fields: ['a'], sections: [] }]), '$.forms[0]', /not both/],
  ['a field in two sections', set([date('a')], [{ id: 'f', sections: [{ fields: ['a'] }, { fields: ['a'] }] }]), '$.forms[0].sections[1].fields[0]', /twice/],
  ['a value shared with no field', set([date('a', { sameValueAs: 'bb' }), date('b')]), '$.fields[0].sameValueAs', /No field has the id "bb"/],
  ['a value shared with itself', set([date('a', { sameValueAs: 'a' })]), '$.fields[0].sameValueAs', /with itself/],
  ['a value of another kind', set([date('a', { sameValueAs: 'price' }), price]), '$.fields[0].sameValueAs', /A date field cannot share the value of a money field/],
  ['a value shared on and on', set([date('a', { sameValueAs: 'b' }), date('b', { sameValueAs: 'c' }), date('c')]), '$.fields[0].sameValueAs', /"b" itself shares the value of "c"/],
  ['a value shared by what is no text', set([date('a', { sameValueAs: 7 })]), '$.fields[0].sameValueAs', /string|text/i],
  ['three columns', set([date('a')], [{ id: 'f', sections: [{ columns: 3, fields: ['a'] }] }]), '$.forms[0].sections[0].columns', /from 1 to 2/],
])('%s is one fault at its place', (_, document, path, message) => {
  const result = readDocument(document, kinds);
  expect(result.ok ? [] : result.faults).toEqual([expect.objectContaining({ path, message: expect.stringMatching(message) })]);
}); // biome-ignore format: a fault a line

test('what depends on others and holds together is taken', () => {
  const fields = [
    date('a'),
    date('b', {
      rules: [rule(compare('at-most-days', 'a', { days: 14 })), { ...rule(compare('same', 'hut')), id: 's' }],
    }),
    date('c', {
      when: {
        any: [
          { field: 'dog', is: true },
          { field: 'price', is: [50, null] },
        ],
      },
    }),
    dog,
    hut,
    price,
  ];
  const forms = [{ id: 'f', fields: ['a', 'b', 'c', 'dog', 'hut', 'price'], completes: 'price' }];
  expect(readDocument(set(fields, forms), kinds)).toMatchObject({ ok: true });
});

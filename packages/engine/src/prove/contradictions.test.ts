import { expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument, RuleDocument } from '../document/document.ts';
import { kinds } from '../kinds/registry.ts';
import { contradictionsIn } from './contradictions.ts';

const found = (kind: string, entry: object, rules: readonly RuleDocument[], more: object = {}) => {
  const document = { id: 'f', kind, label: 'F', entry, rules, ...more } as FieldDocument;
  const field = compileField(document, { locale: 'en-GB' }, kinds);
  return contradictionsIn(rules, field, kinds, '2027-02-10').map(
    ({ rules, code }) => `${rules.join(' ')}: ${code}`,
  );
};
const rule = (id: string, check: RuleDocument['check'], more: object = {}): RuleDocument => ({
  id,
  check,
  ...more,
});
const range = (id: string, min?: string, max?: string, more: object = {}) =>
  rule(
    id,
    { type: 'range', ...(min ? { min } : {}), ...(max ? { max } : {}) } as RuleDocument['check'],
    more,
  );

test.each([
  ['number', {}, [range('a', '10'), range('b', undefined, '5')], ['a b: disjoint-limits']],
  ['number', {}, [range('a', undefined, '5'), range('b', '10')], ['a b: disjoint-limits']],
  ['number', {}, [range('a', '5'), range('b', undefined, '10')], []],
  ['number', {}, [range('a', '10'), range('b', '5')], ['a b: second-has-no-effect']],
  ['number', {}, [range('a', '5'), range('b', '10')], []],
  ['number', {}, [range('a', '10', undefined, { show: 'submit' }), range('b', '5')], []],
  ['number', {}, [range('a', '10', undefined, { when: { field: 'x', is: '1' } }), range('b', undefined, '5')], []],
  ['date', {}, [range('a', 'today+1y'), range('b', undefined, 'today')], ['a b: disjoint-limits']],
  ['date', {}, [range('a', 'today'), range('b', undefined, '2020-01-01')], ['a b: disjoint-limits']],
  ['text', {}, [rule('a', { type: 'length', min: 8 }), rule('b', { type: 'matches', pattern: '[a-z]{2,4}' })], ['a b: nothing-passes-both']],
  ['text', {}, [rule('a', { type: 'length', min: 2 }), rule('b', { type: 'matches', pattern: '[a-z]{2,4}' })], []],
  ['text', {}, [rule('a', { type: 'matches', pattern: '[a-z]{2,4}' }), rule('b', { type: 'length', min: 2 })], ['a b: second-has-no-effect']],
  ['text', {}, [rule('a', { type: 'matches', pattern: '[a-z]+' }), rule('b', { type: 'matches', pattern: '\\d+' })], ['a b: nothing-passes-both']],
  ['text', {}, [rule('a', { type: 'in', values: ['GB', 'FR'] }), rule('b', { type: 'matches', pattern: '[a-z]+' })], ['a b: nothing-passes-both']],
  ['pattern', { pattern: '<4 digit>' }, [rule('a', { type: 'length', min: 6 })], ['a: nothing-passes']],
  ['pattern', { pattern: '<4 digit>' }, [rule('a', { type: 'matches', pattern: '[A-Z]+' })], ['a: nothing-passes']],
  ['pattern', { pattern: '<4 digit>' }, [rule('a', { type: 'in', values: ['12', 'AB'] })], ['a: nothing-passes']],
  ['pattern', { pattern: '<4 digit>' }, [rule('a', { type: 'in', values: ['1234', 'AB'] })], []],
  ['pattern', { pattern: '<4 digit>' }, [rule('a', { type: 'matches', pattern: '\\d{4}' })], ['a: rule-has-no-effect']],
  ['pattern', { pattern: '<4 digit>' }, [rule('a', { type: 'matches', pattern: '[1-9]\\d{3}' })], []],
  ['number', {}, [range('a', '10', undefined, { say: 'From {min} to {max}.' })], ['a: unknown-limit']],
  ['number', {}, [range('a', '10', '20', { say: 'From {min} to {max}.' })], []],
  ['text', {}, [rule('a', { type: 'length', min: 3 }, { say: 'At most {max}.' })], ['a: unknown-limit']],
] as const)('%s %j %j', (kind, entry, rules, expected) => {
  expect(found(kind, entry, rules)).toEqual(expected);
}); // biome-ignore format: a row a case

test('where all messages are shown, each rule speaks', () => {
  expect(found('number', {}, [range('a', '10'), range('b', '5')], { messages: 'all' })).toEqual([]);
});

test('an expression too large to compare is no contradiction, and takes no time', () => {
  const huge = rule('a', { type: 'matches', pattern: '(?=.*[A-Z])(?=.*\\d)(?=.*[^\\w]).{8,64}' });
  expect(found('text', {}, [huge, rule('b', { type: 'length', min: 8 })])).toEqual([]);
});

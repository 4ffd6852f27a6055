import { expect, test } from 'vitest';
import { fieldOf } from './adapters.fixture.ts';
import { controlAttributesOf } from './attributes.ts';

// Each sort of control has what HTML and ARIA allow on it, and nothing else.
test.each([
  ['pass', { type: 'text', name: 'pass', dir: 'ltr', 'aria-required': true }],
  ['word', { type: 'password', autocomplete: 'off', name: 'word' }],
  ['remarks', { name: 'remarks' }],
  ['hut', { name: 'hut' }],
  ['meals', { role: 'radiogroup' }],
  ['extras', { role: 'group' }],
])('%s', (id, attributes) => {
  expect(controlAttributesOf(fieldOf(id))).toEqual(attributes);
});

test('a group is neither required nor disabled by itself where its role does not know that', () => {
  const rules = fieldOf('pass').rules;
  const extras = { ...fieldOf('extras'), rules, html: { disabled: true, title: 'Extras' } };
  expect(controlAttributesOf(extras)).toEqual({ role: 'group', title: 'Extras' });
  expect(controlAttributesOf({ ...fieldOf('meals'), rules })).toEqual({
    role: 'radiogroup',
    'aria-required': true,
  });
});

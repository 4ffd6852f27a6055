import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { expect, test } from 'vitest';
import { differences } from './differences.ts';

const field = (id: string, more: object = {}) =>
  ({ id, kind: 'text', label: id.toUpperCase(), entry: {}, ...more }) as FieldDocument;
const set = (fields: FieldDocument[], more: object = {}): SetDocument => ({
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields,
  ...more,
});

test('what is different is told by field and part, in words', () => {
  const present = set([field('a'), field('b'), field('c')]);
  expect(differences(present, present)).toEqual([]);
  expect(
    differences(
      present,
      set([field('b', { hint: 'x', rules: [] }), field('a'), field('d')], { title: 'Hut', locale: 'de' }),
    ),
  ).toEqual([
    'Set: title and locale changed.',
    '“B”: hint and rules changed.',
    '“D” was added.',
    '“C” was removed.',
    'The fields are in a different order.',
  ]);
});

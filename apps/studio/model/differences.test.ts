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
    'Of the set: the title and the locale.',
    'Of “B”: the hint and the rules.',
    '“D” is there.',
    '“C” is not there.',
    'The fields stand in another order.',
  ]);
});

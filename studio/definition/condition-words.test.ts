import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { conditionInWords, valuesOf } from './condition-words.ts';

const { fields } = demo as unknown as SetDocument;
const field = (id: string): FieldDocument => fields.find((one) => one.id === id)!;
const say = (when: Parameters<typeof conditionInWords>[0]) =>
  conditionInWords(
    when,
    (id) => field(id).label,
    (id, value) => valuesOf(field(id)).find(([own]) => own === value)?.[1] ?? value,
  );

test.each<[Parameters<typeof conditionInWords>[0], string]>([
  [{ field: 'dog', is: true }, '“Is a dog coming along?” is Yes, a dog'],
  [{ field: 'hut', is: ['windgap', 'larch-shelf'] }, '“Hut” is Windgap Hut or Larch Shelf Hut'],
  [{ not: { field: 'email', is: null } }, '“E-mail” has a value'],
  [
    { all: [{ field: 'email', is: null }, { not: { field: 'dog', is: false } }] },
    '“E-mail” is empty and not: “Is a dog coming along?” is No dog',
  ],
  [
    {
      any: [
        { field: 'party', is: 4 },
        { field: 'dog', is: 'no' },
      ],
    },
    '“Party size” is 4 or “Is a dog coming along?” is No dog',
  ],
])('%j in words', (when, words) => {
  expect(say(when)).toBe(words);
});

test('what a field can be asked for', () => {
  expect(valuesOf(field('dog')).map(([value]) => value)).toEqual(['yes', 'no']);
  expect(valuesOf(field('hut'))).toHaveLength(3);
  expect(valuesOf(field('email'))).toEqual([]);
});

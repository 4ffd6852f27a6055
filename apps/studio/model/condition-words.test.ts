import { compile, compileField, type FieldDocument, type SetDocument } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { conditionInWords, valuesOf } from './condition-words.ts';

const set = demo as unknown as SetDocument;
const { fields } = compile(set, kinds);
const field = (id: string): HydratedField => fields.find((one) => one.id === id)!;
const say = (when: Parameters<typeof conditionInWords>[0]) =>
  conditionInWords(
    when,
    (id) => field(id).label,
    (id, value) => valuesOf(field(id)).find(([own]) => own === value)?.[1] ?? value,
  );

test.each<[Parameters<typeof conditionInWords>[0], string]>([
  [{ field: 'dog', is: true }, '“Are you bringing a dog?” is Yes, a dog'],
  [{ field: 'hut', is: ['windgap', 'larch-shelf'] }, '“Hut” is Windgap Hut or Larch Shelf Hut'],
  [{ not: { field: 'email', is: null } }, '“E-mail” has a value'],
  [
    { all: [{ field: 'email', is: null }, { not: { field: 'dog', is: false } }] },
    '“E-mail” is empty and not (“Are you bringing a dog?” is No dog)',
  ],
  [
    {
      any: [
        { field: 'party', is: 4 },
        { field: 'dog', is: 'no' },
      ],
    },
    '“Party size” is 4 or “Are you bringing a dog?” is No dog',
  ],
])('%j in words', (when, words) => {
  expect(say(when)).toBe(words);
});

test('what a field can be asked for', () => {
  expect(valuesOf(field('dog')).map(([value]) => value)).toEqual(['yes', 'no']);
  expect(valuesOf(field('hut'))).toHaveLength(3);
  expect(valuesOf(field('email'))).toEqual([]);
  const yesNo = (entry: object) =>
    compileField({ id: 'f', kind: 'yes-no', label: 'F', entry } as FieldDocument, set, kinds);
  expect(valuesOf(yesNo({ draw: 'radio' })).map(([value]) => value)).toEqual(['yes', 'no']);
  // A box that is not ticked says no, and nobody offers it.
  expect(valuesOf(yesNo({})).map(([value]) => value)).toEqual(['yes', 'no']);
});

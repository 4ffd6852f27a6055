import { readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import { turnedIn, withKind } from './kind-change.ts';
import { removeField, renameField } from './references.ts';
import { onlyFields } from './several-fields.ts';
import { addSharing, leadersFor, sharersOf, withValueOf } from './shared-value.ts';

const start = {
  arbeit: 2,
  title: 'Walks',
  locale: 'en-GB',
  fields: [
    {
      id: 'walk',
      kind: 'duration',
      label: 'Walk',
      entry: { units: ['h', 'min'] },
      rules: [{ id: 'needed', check: { type: 'required' } }],
    },
    { id: 'rest', kind: 'duration', label: 'Rest', entry: {} },
    { id: 'hut', kind: 'text', label: 'Hut', entry: {} },
  ],
} as unknown as SetDocument;
const [walk, rest, hut] = start.fields as [
  SetDocument['fields'][number],
  SetDocument['fields'][number],
  SetDocument['fields'][number],
];
const minutes = { entry: { units: ['min'] }, label: 'in minutes' };
const isSound = (set: SetDocument): boolean => readDocument(set, kinds).ok;

test('a field with the same value comes after the first, by a name of its own and without its rules', () => {
  const { set, id } = addSharing(start, walk, minutes);
  expect(set.fields.map((field) => field.id)).toEqual(['walk', 'walk-in-minutes', 'rest', 'hut']);
  expect(set.fields[1]).toEqual({
    id,
    kind: 'duration',
    label: 'Walk, in minutes',
    entry: { units: ['min'] },
    sameValueAs: 'walk',
  });
  expect(isSound(set)).toBe(true);
  const twice = addSharing(set, walk, minutes);
  expect(twice.set.fields[1]?.label).toBe('Walk, in minutes (2)');
  const third = addSharing(set, set.fields[1]!);
  expect(third.set.fields.at(2)?.sameValueAs).toBe('walk');
  expect(isSound(third.set)).toBe(true);
  expect(sharersOf(third.set, walk).map((field) => field.id)).toEqual([id, third.id]);
  expect(sharersOf(third.set, third.set.fields[1]!).map((field) => field.id)).toEqual(['walk', third.id]);
});

test('a field may have the value of those of its kind that have their own', () => {
  expect(leadersFor(start, rest).map(({ id }) => id)).toEqual(['walk']);
  expect(leadersFor(start, hut)).toEqual([]);
  const { set } = addSharing(start, walk, minutes);
  expect(leadersFor(set, walk)).toEqual([]);
  expect(withValueOf(withValueOf(rest, 'walk'), '')).toEqual(rest);
});

describe('what happens to one of them leaves the set sound', () => {
  const { set, id } = addSharing(start, walk, minutes);
  const leaderOfIt = (next: SetDocument): string | undefined =>
    next.fields.find((field) => field.id === id)?.sameValueAs;
  test('another id', () => {
    const next = renameField(set, 'walk', 'way');
    expect([leaderOfIt(next), isSound(next)]).toEqual(['way', true]);
  });
  test('deleted, or left behind', () => {
    for (const next of [removeField(set, 'walk'), onlyFields(set, [id])])
      expect([leaderOfIt(next), isSound(next)]).toEqual([undefined, true]);
  });
  test('another kind of the first', () => {
    const turned = withKind(walk, 'text', set, kinds);
    const next = turnedIn(set, turned.field, kinds);
    expect([leaderOfIt(next.set), isSound(next.set)]).toEqual([undefined, true]);
    expect(next.lost).toEqual([`the shared value of ${id}`]);
  });
  test('another kind of the second', () => {
    const turned = withKind(set.fields[1]!, 'number', set, kinds);
    expect(turned.field.sameValueAs).toBeUndefined();
    expect(turned.lost).toContain('the shared value');
    expect(isSound(turnedIn(set, turned.field, kinds).set)).toBe(true);
  });
});

import fc from 'fast-check';
import { expect, test } from 'vitest';
import { type MemberConflict, mergeOf, valueAt } from './merging.ts';
import { carriedOut, conflictsOf, type Json, operationsBetween } from './operations.ts';
import '../../../scripts/seed.ts';

const value = fc.constantFrom<Json>('a', 'b', 'c', 1);
/** A small set: what two persons may change in it. */
const item = (id: string): fc.Arbitrary<Json> =>
  fc.record(
    {
      id: fc.constant(id),
      label: value,
      hint: value,
      look: fc.dictionary(fc.constantFrom('unit', 'icon'), value),
    },
    { requiredKeys: ['id', 'label'] },
  );
const document: fc.Arbitrary<Json> = fc
  .record({
    title: value,
    texts: fc.dictionary(fc.constantFrom('de', 'fr'), value),
    fields: fc.shuffledSubarray(['x', 'y', 'z']).chain((ids) => fc.tuple(...ids.map(item))),
  }) as fc.Arbitrary<Json>; // biome-ignore format: what it consists of, a line each

const text = (json: Json | undefined): string => JSON.stringify(json) ?? 'missing';

/** An object with its members by name, since their order is nobody’s decision. */
const sorted = (json: Json | undefined): Json | undefined =>
  Array.isArray(json)
    ? json.map((one) => sorted(one)!)
    : typeof json === 'object' && json !== null
      ? Object.fromEntries(Object.entries(json).map(([name, one]) => [name, sorted(one)!]).sort(([a], [b]) => ((a as string) < (b as string) ? -1 : 1)))
      : json; // biome-ignore format: three cases

test('what only one of two changed is kept, and for the rest what was chosen', () => {
  fc.assert(
    fc.property(document, document, document, fc.infiniteStream(fc.boolean()), (base, mine, theirs, choices) => {
      const { conflicts, merged } = mergeOf(base, mine, theirs);
      const chosen = new Set(conflicts.filter(() => choices.next().value));
      const all = merged((conflict) => chosen.has(conflict));
      for (const conflict of conflicts.filter(({ what }) => what === 'content'))
        expect(text(sorted(valueAt(all, conflict.at)))).toBe(
          text(sorted(chosen.has(conflict) ? conflict.mine : conflict.theirs)),
        );
      // What is in neither version is in no merge, whatever was chosen.
      const ids = (json: Json): readonly string[] => (json as { fields: { id: string }[] }).fields.map(({ id }) => id);
      for (const id of ids(all)) expect([...ids(mine), ...ids(theirs)]).toContain(id);
      if (conflicts.length === 0) expect(text(all)).toBe(text(carriedOut(theirs, operationsBetween(base, mine))));
    }),
    { numRuns: 1000 },
  ); // biome-ignore format: a property
});

test('there is a conflict where the store finds one, and nowhere else', () => {
  fc.assert(
    fc.property(document, document, document, (base, mine, theirs) => {
      const [a, b] = [operationsBetween(base, mine), operationsBetween(base, theirs)];
      const isOne = !conflictsOf(a, b).next().done || carriedOut(theirs, a) === undefined;
      expect(mergeOf(base, mine, theirs).conflicts.length > 0).toBe(isOne);
    }),
    { numRuns: 1000 },
  );
});

const base = {
  title: 'Huts',
  fields: [
    { id: 'pin', label: 'PIN', hint: 'Four digits', look: { icon: 'key' } },
    { id: 'sum', label: 'Sum' },
    { id: 'day', label: 'Day' },
  ],
};
type Loose = {
  title?: string;
  fields: { id: string; label: string; hint?: string; look?: { icon?: string } }[];
};
const edited = (change: (document: Loose) => void): Json => {
  const next = structuredClone(base) as Loose;
  change(next);
  return next as Json;
};

test.each<
  [what: string, mine: (document: Loose) => void, theirs: (document: Loose) => void, conflicts: Partial<MemberConflict>[]]
>([
  ['one label, and other changes of both', (d) => { d.fields[0]!.label = 'A'; d.fields[1]!.label = 'S'; }, (d) => { d.fields[0]!.label = 'B'; d.title = 'T'; }, [{ at: ['fields', { id: 'pin' }, 'label'], mine: 'A', theirs: 'B' }]],
  ['a removed hint', (d) => { delete d.fields[0]!.hint; }, (d) => { d.fields[0]!.hint = 'B'; }, [{ at: ['fields', { id: 'pin' }, 'hint'], mine: undefined, theirs: 'B' }]],
  ['a field edited here and deleted there', (d) => { d.fields[1]!.label = 'A'; d.fields[0]!.label = 'P'; }, (d) => { d.fields.splice(1, 1); }, [{ at: ['fields', { id: 'sum' }], mine: { id: 'sum', label: 'A' }, theirs: undefined }]],
  ['a field deleted here and edited there', (d) => { d.fields.splice(1, 1); }, (d) => { d.fields[1]!.label = 'B'; }, [{ at: ['fields', { id: 'sum' }], mine: undefined, theirs: { id: 'sum', label: 'B' } }]],
  ['one field moved to two places', (d) => { d.fields.unshift(d.fields.pop()!); }, (d) => { d.fields.splice(1, 0, d.fields.pop()!); }, [{ at: ['fields', { id: 'day' }], what: 'position', mine: null, theirs: 'pin' }]],
  ['a member of what was removed', (d) => { d.fields[0]!.look!.icon = 'lock'; }, (d) => { delete d.fields[0]!.look; }, [{ at: ['fields', { id: 'pin' }, 'look'], mine: { icon: 'lock' }, theirs: undefined }]],
  ['nothing', (d) => { d.title = 'A'; }, (d) => { d.fields[0]!.label = 'B'; }, []],
])('%s', (_, change, changed, expected) => {
  const [mine, theirs] = [edited(change), edited(changed)];
  const { conflicts, merged } = mergeOf(base, mine, theirs);
  expect(conflicts).toMatchObject(expected);
  expect(conflicts.length).toBe(expected.length);
  // What only one of them changed is in the result, whatever is chosen.
  for (const isMine of [true, false]) {
    const all = merged(() => isMine);
    const again = mergeOf(base, all, isMine ? mine : theirs);
    expect(again.conflicts).toEqual([]);
  }
}); // biome-ignore format: a table

test('without a common base every difference is a conflict', () => {
  const [mine, theirs] = [edited((d) => { d.title = 'A'; d.fields[0]!.label = 'A'; }), edited((d) => { d.title = 'B'; })]; // biome-ignore format: both versions
  const { conflicts, merged } = mergeOf(undefined, mine, theirs);
  expect(conflicts.map(({ at }) => at)).toEqual([['title'], ['fields', { id: 'pin' }, 'label']]);
  expect(merged(() => true)).toEqual(mine);
  expect(merged(() => false)).toEqual(theirs);
});

test('changes that have no place in the other version leave the choice between two whole versions', () => {
  const { conflicts, merged } = mergeOf({ a: { b: 1 } }, { a: { b: 2 } }, { a: [{ id: 'x' }] });
  expect(conflicts.map(({ at }) => at)).toEqual([['a']]);
  expect(merged(() => true)).toEqual({ a: { b: 2 } });
});

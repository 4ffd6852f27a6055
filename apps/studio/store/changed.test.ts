import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { changedWords } from '../model/changed-words.ts';
import { changedBy, mergeChanged, nothingChanged } from './changed.ts';
import { type Json, operationsBetween } from './operations.ts';
import '../../../scripts/seed.ts';

const field = (id: string, more: object = {}): FieldDocument =>
  ({ id, kind: 'text', label: id.toUpperCase(), entry: {}, ...more }) as FieldDocument;
const set = (fields: readonly FieldDocument[], more: object = {}): SetDocument =>
  ({ arbeit: 2, title: 'Huts', locale: 'en-GB', fields, ...more }) as SetDocument;
const between = (before: SetDocument, after: SetDocument) =>
  changedBy(operationsBetween(before as unknown as Json, after as unknown as Json), after);
const words = (before: SetDocument, after: SetDocument) =>
  changedWords(between(before, after)).map(({ heading, list }) => `${heading}: ${list}`);

const [a, b, c] = [field('a'), field('b'), field('c')];

describe('one save', () => {
  test.each<[what: string, before: SetDocument, after: SetDocument, expected: readonly string[]]>([
    ['nothing', set([a]), set([a]), []],
    ['a new field', set([a]), set([a, b]), ['Added: “B”']],
    ['a removed field keeps its label', set([a, b]), set([a]), ['Removed: “B”']],
    ['members of a field', set([a]), set([{ ...a, hint: 'x', rules: [] }]), ['Changed: “A” (rules, hint)']],
    ['a new label is shown', set([a]), set([{ ...a, label: 'New' }]), ['Changed: “New” (label)']],
    ['another order', set([a, b, c]), set([c, a, b]), ['Moved: “C”']],
    ['members of the set', set([a]), set([a], { title: 'T', locale: 'de' }), ['Changed: locale, title']],
    ['a form', set([a]), set([a], { forms: [{ id: 'f', title: 'All', sections: [] }] }), ['Changed: forms']],
    ['nameless fields go by their id', set([]), set([field('x', { label: '' })]), ['Added: “x”']],
  ])('%s', (_, before, after, expected) => expect(words(before, after)).toEqual(expected));

  test('another document', () => {
    const whole = [{ do: 'set', at: [], value: set([b]) }] as never;
    expect(changedWords(changedBy(whole, set([b])))).toEqual([{ heading: 'Changed', list: 'whole set' }]);
  });
  test('changes that are not listed are mentioned, also if every group is short', () => {
    const before = Array.from({ length: 6 }, (_, i) => field(`o${i}`));
    const after = Array.from({ length: 9 }, (_, i) => field(`n${i}`));
    expect(words(set(before), set(after)).at(-1)).toBe('Also: more changes, which are not listed');
  });
  test('many changes are listed in part', () => {
    const all = Array.from({ length: 8 }, (_, i) => field(`n${i}`));
    expect(words(set([]), set(all))).toEqual(['Added: “N0”, “N1”, “N2”, “N3”, “N4”, “N5” and 2 more']);
    const most = Array.from({ length: 60 }, (_, i) => field(`n${i}`));
    const { items, more } = between(set([]), set(most));
    expect([items.length, more]).toEqual([12, true]);
    expect(words(set([]), set(most))).toEqual([
      'Added: “N0”, “N1”, “N2”, “N3”, “N4”, “N5” and 6 more',
      'Also: more changes, which are not listed',
    ]);
  });
});

describe('several saves', () => {
  test.each<[what: string, steps: readonly SetDocument[], expected: readonly string[]]>([
    ['added, then edited', [set([]), set([a]), set([{ ...a, label: 'New' }])], ['Added: “New”']],
    ['added, then removed', [set([]), set([a]), set([])], []],
    ['removed, then added', [set([a]), set([]), set([a])], ['Changed: “A”']],
    ['edited, then removed', [set([a]), set([{ ...a, hint: 'x' }]), set([])], ['Removed: “A”']],
    ['two members', [set([a]), set([{ ...a, hint: 'x' }]), set([{ ...a, hint: 'x', locale: 'de' }])], ['Changed: “A” (hint, locale)']],
    ['moved, then edited', [set([a, b, c]), set([c, a, b]), set([{ ...c, hint: 'x' }, a, b])], ['Changed: “C” (hint)']],
    ['edited, then moved', [set([a, b, c]), set([a, b, { ...c, hint: 'x' }]), set([{ ...c, hint: 'x' }, a, b])], ['Changed: “C” (hint)']],
  ])('%s', (_, steps, expected) => {
    const all = steps.slice(1).reduce((sum, after, i) => mergeChanged(sum, between(steps[i]!, after)), nothingChanged);
    expect(changedWords(all).map(({ heading, list }) => `${heading}: ${list}`)).toEqual(expected);
  });
}); // biome-ignore format: a case a line

test('a list of changes has room, lists each thing once, and names what was added and removed', () => {
  const documents = fc.array(
    fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 4 }).map((ids) => set(ids.map((id) => field(id)))),
    { minLength: 2, maxLength: 6 },
  );
  fc.assert(
    fc.property(documents, (steps) => {
      const all = steps.slice(1).reduce((sum, after, i) => mergeChanged(sum, between(steps[i]!, after)), nothingChanged);
      const [first, last] = [steps[0]!, steps.at(-1)!].map(({ fields }) => fields.map(({ id }) => id));
      const of = (how: string) => all.items.filter((item) => item.how === how).map(({ id }) => id).sort();
      expect(of('added')).toEqual(last!.filter((id) => !first!.includes(id)).sort());
      expect(of('removed')).toEqual(first!.filter((id) => !last!.includes(id)).sort());
      expect(new Set(all.items.map(({ id }) => id)).size).toBe(all.items.length);
    }),
    { numRuns: 300 },
  );
}); // biome-ignore format: a law

import type { SetDocument } from '@arbeit/engine/document';
import { expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { mergeSets, problemWithMerge } from './conflicts.ts';

const base = demo as unknown as SetDocument;
type Loose = { title: string; fields: Record<string, unknown>[]; forms: Record<string, unknown>[] };
const edited = (change: (document: Loose) => void): SetDocument => {
  const next = structuredClone(demo) as unknown as Loose;
  change(next);
  return next as unknown as SetDocument;
};
const field = (document: Loose, id: string) => document.fields.find((one) => one.id === id)!;

test('what both changed is named in words with both versions; the rest is merged', () => {
  const mine = edited((d) => {
    field(d, 'deposit').hint = 'Mine';
    field(d, 'deposit').placeholder = '£25';
    d.fields = d.fields.filter(({ id }) => id !== 'member');
    for (const form of d.forms)
      form.fields = (form.fields as string[] | undefined)?.filter((id) => id !== 'member');
  });
  const theirs = edited((d) => {
    field(d, 'deposit').hint = 'Theirs';
    d.title = 'Huts';
  });
  const { conflicts, merged } = mergeSets(base, mine, theirs);
  expect(conflicts).toMatchObject([{ name: 'the hint of Deposit', theirs: 'Theirs', mine: 'Mine' }]);
  const all = merged(new Set([0]));
  expect(all.title).toBe('Huts');
  expect(all.fields.find(({ id }) => id === 'deposit')).toMatchObject({ hint: 'Mine', placeholder: '£25' });
  expect(merged(new Set()).fields.find(({ id }) => id === 'deposit')).toMatchObject({
    hint: 'Theirs',
    placeholder: '£25',
  });
});

test('a field that one deletes and the other edits, and one that both move', () => {
  const deposit = base.fields.findIndex(({ id }) => id === 'deposit');
  const mine = edited((d) => {
    d.fields.splice(deposit, 1);
    d.forms = [];
  });
  const theirs = edited((d) => {
    field(d, 'deposit').label = 'Advance';
    d.forms = [];
  });
  const [conflict] = mergeSets(base, mine, theirs).conflicts;
  expect(conflict).toMatchObject({ name: 'Advance', mine: 'deleted' });
  expect(conflict!.theirs).toContain('"Advance"');
  const moved = (to: number) => edited((d) => void d.fields.splice(to, 0, d.fields.splice(deposit, 1)[0]!));
  const [place] = mergeSets(base, moved(0), moved(1)).conflicts;
  expect(place).toMatchObject({ name: 'the position of Deposit', mine: 'first' });
  expect(place!.theirs).toMatch(/^after /);
});

test('where the merged set would be invalid, one of the whole versions is chosen', () => {
  // One deletes a field, the other uses it in a new form.
  const mine = edited((d) => {
    d.fields = d.fields.filter(({ id }) => id !== 'member');
    d.forms = [];
  });
  const theirs = edited((d) => {
    d.forms = [{ id: 'pair', fields: ['member', 'deposit'] }];
  });
  const start = edited((d) => {
    d.forms = [];
  });
  const { conflicts, merged } = mergeSets(start, mine, theirs);
  expect(conflicts.map(({ name }) => name)).toEqual([null]);
  expect([merged(new Set()), merged(new Set([0]))]).toEqual([theirs, mine]);
  // A label that both changed alone would be one member; with it the merge is as invalid.
  const titled = (document: SetDocument, title: string) => ({ ...document, title });
  const more = mergeSets(start, titled(mine, 'Mine'), titled(theirs, 'Theirs'));
  expect(more.conflicts.map(({ name }) => name)).toEqual([null]);
  const both = { ...mine, forms: theirs.forms } as SetDocument;
  expect([problemWithMerge(mine), problemWithMerge(both)]).toEqual([
    '',
    expect.stringContaining('These do not fit together. At'),
  ]);
});

import type { SetDocument } from '@arbeit/engine/document';
import { expect, test, vi } from 'vitest';

const table = new Map<unknown, unknown>();
vi.mock('idb-keyval', () => ({
  createStore: () => () => undefined,
  get: async (key: unknown) => table.get(key),
  set: async (key: unknown, value: unknown) => void table.set(key, value),
}));
const { keepResults, lastResults } = await import('./last-results.ts');
const { keyOf } = await import('./trial-keys.ts');

const pin = { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } } as const;
const setOf = (length: number, ...tapes: readonly string[]): SetDocument => ({
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [
    { ...pin, entry: { length } },
    { id: 'note', kind: 'text', label: 'Note', entry: {} },
  ],
  trials: tapes.map((tape, i) => ({ id: `t${i}`, tape })),
});
const set = setOf(4, 'field pin\nexpect raw ""', 'field pin\nexpect raw "1"', 'form stay\nexpect record {}');

test('of each field what came of its own trials; of others nothing', async () => {
  expect(await lastResults(set, 'huts')).toEqual({});
  const today = (await import('@arbeit/dom')).localToday();
  const outcomes = set.trials!.map((trial, i) => ({
    id: trial.id,
    key: keyOf(set, trial, today),
    holds: i !== 1,
  }));
  await keepResults('huts', outcomes);
  expect(await lastResults(set, 'huts')).toEqual({ pin: { held: 1, missed: 1, isOld: false } });
  expect(await lastResults(set, 'other')).toEqual({});
});

test('what a trial depends on has changed, or one is new: the result is of before', async () => {
  expect(await lastResults(setOf(5, ...set.trials!.map(({ tape }) => tape)), 'huts')).toEqual({
    pin: { held: 1, missed: 1, isOld: true },
  });
  const more = setOf(
    4,
    ...set.trials!.map(({ tape }) => tape),
    'field note\nexpect raw ""',
    'field pin\nexpect raw ""',
  );
  expect(await lastResults(more, 'huts')).toEqual({ pin: { held: 1, missed: 1, isOld: true } });
  // One of several is enough, wherever it stands.
  const turned = { ...more, trials: more.trials!.toReversed() };
  expect((await lastResults(turned, 'huts')).pin?.isOld).toBe(true);
  const other = {
    ...set,
    fields: set.fields.map((one) => (one.id === 'note' ? { ...one, label: 'Notes' } : one)),
  };
  expect((await lastResults(other, 'huts')).pin?.isOld).toBe(false);
});

import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { backupOf, restoreInto } from './backup.ts';
import type { Store } from './database.ts';
import { newFolder } from './new-folder.fixture.ts';
import { findRefused, listRefused } from './refusing.ts';
import { findRevision, listRevisions, nameRevision } from './revisions.ts';
import { saveSet } from './save-set.ts';
import { openServer } from './server.ts';
import { createSet, deleteSet, findSet, generationOf, listSets, renameSet, restoreSet } from './sets.ts';
import { openStore } from './store.ts';
import { testPostgres } from './test-postgres.fixture.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });

const postgres = testPostgres();

let count = 0;
const folder = async () => openStore(await newFolder(), migrations);
const server = () => openServer(postgres().database(`backup${count++}`), migrations);

const textOf = async (store: Store): Promise<string> => {
  let text = '';
  await store.read(async (db) => {
    for await (const line of backupOf(db, new Date('2027-02-10T08:00:00Z'))) text += line;
  });
  return text;
};
const restored = (store: Store, text: string, replaces = false) =>
  store.write((db) => restoreInto(db, text, { replaces }));

/** A store in which everything there can be has happened. */
async function lived(store: Store): Promise<{ key: string; gone: string }> {
  return store.write(async (db) => {
    const set = await createSet(db, titled('Lived — “in” 山小屋'));
    const save = (page: string, counter: number, base: number, title: string) =>
      saveSet(db, set.key, { generation: set.generation, page, counter, base, operations: [{ do: 'set', at: ['title'], value: title }] });
    await save('a', 1, 1, 'two');
    await nameRevision(db, set.key, 2, 'As agreed');
    await save('a', 2, 2, 'three');
    await save('b', 1, 2, 'too late');
    await renameSet(db, set.key, 'another-name');
    const gone = await createSet(db, titled('Taken off the shelf'));
    await deleteSet(db, gone.key);
    return { key: set.key, gone: gone.key };
  }); // biome-ignore format: a save a line
}

describe.each([
  ['a folder', 'a folder', folder, folder],
  ['a folder', 'PostgreSQL', folder, server],
  ['PostgreSQL', 'a folder', server, folder],
])('from %s into %s', (_, __, from, to) => {
  test('everything is there again, and the store is another', async () => {
    const [old, next] = [await from(), await to()];
    const { key, gone } = await lived(old);
    const text = await textOf(old);
    const before = await next.read(generationOf);
    expect(await restored(next, text)).toMatchObject({
      sets: 3,
      unreadable: [],
      at: '2027-02-10T08:00:00.000Z',
    });
    const again = await textOf(next);
    const rows = (all: string) => all.trimEnd().split('\n').slice(1, -1);
    expect(rows(again)).toEqual(rows(text));
    await next.write(async (db) => {
      expect(await findSet(db, 'lived-in')).toMatchObject({ key, id: 'another-name', revision: 3 });
      expect((await findRevision(db, key, 2))?.title).toBe('two');
      expect((await listRevisions(db, key)).map(({ name }) => name)).toEqual([null, 'As agreed', null]);
      const [late] = await listRefused(db, key);
      expect((await findRefused(db, key, late!.kept))?.title).toBe('too late');
      expect(await restoreSet(db, gone)).toBe(true);
      // Neither that of the store it replaces, nor that of the store it was made of.
      expect([before, await old.read(generationOf)]).not.toContain(await generationOf(db));
    });
    await Promise.all([old.close(), next.close()]);
  });
});

describe('what is refused, before anything is done', () => {
  let store: Store;
  let text = '';
  beforeAll(async () => {
    store = await server();
    await lived(store);
    text = await textOf(store);
  });
  afterAll(() => store.close());
  const lines = () => text.split('\n');
  test.each<[what: string, file: () => string, words: RegExp]>([
    ['nothing', () => '', /Line 1 is not JSON/],
    ['a document', () => '{"arbeit":1}\n', /Line 1 is not the header/],
    ['no JSON', () => 'hello\n', /Line 1 is not JSON/],
    ['one that is cut off in a line', () => text.slice(0, -20), /cut off/],
    ['one that is cut off after a line', () => `${lines().slice(0, 4).join('\n')}\n`, /cut off/],
    ['one with a letter changed', () => text.replace('too late', 'too Late'), /changed or damaged/],
    ['one with a line less', () => lines().toSpliced(3, 1).join('\n'), /changed or damaged/],
    ['one of a later version', () => text.replace('"version":1', '"version":9'), /version 9\..* reads version 1/],
  ])('%s', async (_, file, words) => {
    const before = await textOf(store);
    await expect(restored(store, file(), true)).rejects.toThrow(words);
    expect(await textOf(store)).toBe(before);
  }); // biome-ignore format: a file a line

  test('a store somebody has saved something in is left alone, unless it is to be replaced', async () => {
    await expect(restored(store, text)).rejects.toThrow(/already has 3 sets.*--replace/);
    await store.write((db) => createSet(db, titled('Newer')));
    expect(await restored(store, text, true)).toMatchObject({ sets: 3 });
    expect((await store.read(listSets)).map(({ title }) => title)).not.toContain('Newer');
  });
});

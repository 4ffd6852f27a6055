import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest';
import { backupOf, restoreInto } from './backup.ts';
import type { Store } from './database.ts';
import { Followers } from './followers.ts';
import { newFolder } from './new-folder.fixture.ts';
import { savingPage } from './saving-page.fixture.ts';
import { openServer } from './server.ts';
import { createSet, generationOf } from './sets.ts';
import { openStore } from './store.ts';
import { testPostgres } from './test-postgres.fixture.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });

const postgres = testPostgres();

/** Follows a set: what it was told of, as `generation revision`. */
function following(store: Store, key: string) {
  const told: string[] = [];
  const end = store.follow(key, ({ generation, revision }) => told.push(`${generation} ${revision}`));
  return { told, end };
}
const until = (told: readonly string[], expected: readonly string[]) =>
  vi.waitFor(() => expect(told).toEqual(expected), { timeout: 60_000 });

describe.each([
  ['in a folder', async () => openStore(await newFolder(), migrations)],
  ['on PostgreSQL', () => openServer(postgres().database('followers'), migrations)],
])('a store %s', (_, open) => {
  let store: Store;
  beforeAll(async () => {
    store = await open();
  });
  afterAll(() => store.close());

  test('tells those who follow a set of each save of it, of no other, and not once they have ended it', async () => {
    const [set, other] = [
      await createSet(store.db, titled('Followed')),
      await createSet(store.db, titled('Another')),
    ];
    const [one, two] = [following(store, set.key), following(store, set.key)];
    const [page, another] = [savingPage(store.db, set), savingPage(store.db, other, 'other')];
    for (let i = 0; i < 4; i++) await page.save(titled(`Followed ${i}`));
    await another.save(titled('Another one'));
    await page.save(titled('Followed on'));
    await vi.waitFor(() => expect(one.told.at(-1)).toBe(`${set.generation} 6`), { timeout: 60_000 });
    two.end();
    await page.save(titled('Followed by one'));
    await vi.waitFor(() => expect(one.told.at(-1)).toBe(`${set.generation} 7`), { timeout: 60_000 });
    expect(two.told.at(-1)).toBe(`${set.generation} 6`);
    // What another set was saved as would come among them.
    for (const { told } of [one, two]) expect(told).toEqual(told.toSorted());
    one.end();
  });

  test('tells nobody of what is taken back', async () => {
    const set = await createSet(store.db, titled('Taken back'));
    const { told, end } = following(store, set.key);
    const work = store.db.transaction(async (tx) => {
      await savingPage(tx as never, set).save(titled('never'));
      throw new Error('taken back');
    });
    await expect(work).rejects.toThrow('taken back');
    const saved = await savingPage(store.db, set).save(titled('done'));
    expect(saved.outcome).toBe('saved');
    await until(told, [`${set.generation} 2`]);
    end();
  });

  test('tells everybody that it was put back from a backup', async () => {
    const set = await createSet(store.db, titled('Put back'));
    const { told, end } = following(store, set.key);
    let text = '';
    for await (const line of backupOf(store.db, new Date())) text += line;
    await restoreInto(store.db, text, { replaces: true });
    await until(told, [`${await generationOf(store.db)} 0`]);
    end();
  });
});

test('what one server saves the other hears; a connection that is cut is made again, and what was missed is told', async () => {
  const url = postgres().database('two_servers');
  const [a, b] = [await openServer(url, migrations), await openServer(url, migrations)];
  const set = await a.write((db) => createSet(db, titled('Of both')));
  const page = savingPage(a.db, set);
  const { told } = following(b, set.key);
  // What holds as it begins to listen comes first.
  await until(told, [`${set.generation} 1`]);
  await page.save(titled('heard'));
  await until(
    told,
    [1, 2].map((revision) => `${set.generation} ${revision}`),
  );
  const cut = await a.db.execute(
    sql`select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'arbeit listening' and datname = current_database()`,
  );
  expect(cut.rows).toHaveLength(1);
  await page.save(titled('missed'));
  await vi.waitFor(() => expect(told.at(-1)).toBe(`${set.generation} 3`), { timeout: 60_000 });
  await postgres().crash();
  const last = await vi.waitFor(() => page.save(titled('after a crash')), { timeout: 60_000 });
  expect(last.outcome).toBe('saved');
  await vi.waitFor(() => expect(told.at(-1)).toBe(`${set.generation} 4`), { timeout: 60_000 });
  await Promise.all([a.close(), b.close()]);
});

test('whoever ends it while being told, and follows anew, is told once', () => {
  const followers = new Followers();
  const told: number[] = [];
  const end = followers.follow('s_1', ({ revision }) => {
    told.push(revision);
    end();
    followers.follow('s_1', (again) => void told.push(again.revision * 10));
  });
  followers.receive('s_1 g 2');
  followers.receive('s_1 g 3');
  expect(told).toEqual([2, 30]);
  expect(followers.keys()).toEqual(['s_1']);
});

test('of an older change nobody hears after a newer one; of another store it is a change', () => {
  const followers = new Followers();
  const told: string[] = [];
  followers.follow('s_1', ({ generation, revision }) => told.push(`${generation} ${revision}`));
  for (const payload of ['s_1 g 3', 's_1 g 2', 's_1 g 3', '* h 0', 's_1 h 1', 's_2 h 9'])
    followers.receive(payload);
  expect(told).toEqual(['g 3', 'h 0', 'h 1']);
});

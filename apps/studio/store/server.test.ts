import { type ChildProcess, spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { sql } from 'drizzle-orm';
import { build } from 'esbuild';
import pg from 'pg';
import { expect, test, vi } from 'vitest';
import { backupOf, restoreInto } from './backup.ts';
import type { Store } from './database.ts';
import { soundSet } from './documents.ts';
import { droppedOf, listRevisions } from './revisions.ts';
import { saveSet } from './save-set.ts';
import { saves } from './schema.ts';
import { openServer } from './server.ts';
import { createSet, findSet, generationOf, listSets, type StoredSet } from './sets.ts';
import { testPostgres } from './test-postgres.fixture.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });

const postgres = testPostgres();

let count = 0;
/** So many servers of Arbeit's on one new database. */
async function servers(many: number): Promise<{ url: string; stores: Store[] }> {
  const url = postgres().database(`own${count++}`);
  return { url, stores: await Promise.all(Array.from({ length: many }, () => openServer(url, migrations))) };
}
const close = (stores: readonly Store[]) => Promise.all(stores.map((store) => store.close()));
const retitled = (set: StoredSet, page: string, counter: number, base: number, title: string) => ({
  generation: set.generation,
  page,
  counter,
  base,
  operations: [{ do: 'set', at: ['title'], value: title }] as const,
});

test('five servers that begin at once make one store of it, with one demo set', async () => {
  const { stores } = await servers(5);
  const lists = await Promise.all(stores.map((store) => store.read(listSets)));
  expect(lists.map((all) => all.map(({ id }) => id))).toEqual(Array(5).fill(['ridge-huts']));
  const generations = await Promise.all(stores.map((store) => store.read(generationOf)));
  expect(new Set(generations).size).toBe(1);
  await close(stores);
});

test('forty writers on two servers: forty names of one title, and forty fields in one set', async () => {
  const { stores } = await servers(2);
  const at = (i: number): Store => stores[i % 2]!;
  const each = Array.from({ length: 40 }, (_, i) => i);
  const made = await Promise.all(each.map((i) => at(i).write((db) => createSet(db, titled('Of one title')))));
  expect(new Set(made.map(({ id }) => id)).size).toBe(40);
  const set = made[0]!;
  const results = await Promise.all(
    each.map((i) => {
      const value = { id: `f${i}`, kind: 'text', label: `Field ${i}`, entry: {} };
      const operations = [{ do: 'insert', at: ['fields'], id: value.id, after: null, value }] as const;
      const save = { generation: set.generation, page: `p${i}`, counter: 1, base: 1, operations };
      return at(i).write((db) => saveSet(db, set.key, save));
    }),
  );
  expect(results.map(({ outcome }) => outcome)).toEqual(each.map(() => 'saved'));
  for (const store of stores) {
    const found = await store.read((db) => findSet(db, set.key));
    expect([found?.revision, found?.document.fields.map(({ id }) => id).sort()]).toEqual([
      41,
      each.map((i) => `f${i}`).sort(),
    ]);
  }
  await close(stores);
});

test('what one server keeps of a document is not taken for what another has saved since', async () => {
  const { stores } = await servers(2);
  const [a, b] = stores as [Store, Store];
  const set = await a.write((db) => createSet(db, titled('Kept')));
  await a.write((db) => saveSet(db, set.key, retitled(set, 'a', 1, 1, 'by a')));
  await b.write((db) => saveSet(db, set.key, retitled(set, 'b', 1, 2, 'by b')));
  const locale = [{ do: 'set', at: ['locale'], before: 'en-GB', value: 'de-DE' }] as const;
  const save = { generation: set.generation, page: 'a', counter: 2, base: 3, operations: locale };
  await a.write((db) => saveSet(db, set.key, save));
  expect((await b.read((db) => findSet(db, set.key)))?.document).toMatchObject({
    title: 'by b',
    locale: 'de-DE',
  });
  await close(stores);
});

test('a cached document of the same revision is not used after a restore by another server', async () => {
  const { stores } = await servers(2);
  const [a, b] = stores as [Store, Store];
  const set = await a.write((db) => createSet(db, titled('First')));
  let text = '';
  for await (const line of backupOf(a.db, new Date())) text += line;
  await b.write((db) => saveSet(db, set.key, retitled(set, 'p', 1, 1, 'lost by the restore')));
  expect((await b.read((db) => soundSet(db, set.key)))?.document.title).toBe('lost by the restore');
  await a.write((db) => restoreInto(db, text, { replaces: true }));
  const generation = await a.read(generationOf);
  await a.write((db) =>
    saveSet(db, set.key, { ...retitled(set, 'q', 1, 1, 'after the restore'), generation }),
  );
  expect(await b.read((db) => soundSet(db, set.key))).toMatchObject({
    revision: 2,
    document: { title: 'after the restore' },
  });
  await close(stores);
});

test('a document whose commit failed is not cached', async () => {
  const { stores } = await servers(2);
  const [a, b] = stores as [Store, Store];
  const set = await a.write((db) => createSet(db, titled('First')));
  await a.db.execute(
    sql`create function refuse() returns trigger language plpgsql as $$ begin raise exception 'refused'; end $$`,
  );
  await a.db.execute(
    sql`create constraint trigger refuse after update on sets deferrable initially deferred for each row execute function refuse()`,
  );
  await expect(a.write((db) => saveSet(db, set.key, retitled(set, 'p', 1, 1, 'failed')))).rejects.toThrow();
  await a.db.execute(sql`drop trigger refuse on sets`);
  await b.write((db) => saveSet(db, set.key, retitled(set, 'q', 1, 1, 'saved')));
  expect(await a.read((db) => soundSet(db, set.key))).toMatchObject({
    revision: 2,
    document: { title: 'saved' },
  });
  await close(stores);
});

test('a database that crashes: what was acknowledged is there, what comes meanwhile is told, and it goes on', async () => {
  const { stores } = await servers(1);
  const store = stores[0]!;
  const set = await store.write((db) => createSet(db, titled('Crash')));
  const acknowledged = ['before'];
  await store.write((db) => saveSet(db, set.key, retitled(set, 'before', 1, 1, 'before')));
  let base = 2;
  let isDown = false;
  const crash = postgres()
    .crash()
    .then(() => {
      isDown = false;
    });
  isDown = true;
  const told: string[] = [];
  for (let i = 0; isDown; i++) {
    const save = retitled(set, `page ${i}`, 1, base, `t${i}`);
    const result = await store
      .write((db) => saveSet(db, set.key, save))
      .catch((error: Error) => {
        told.push(`${error.name}: ${error.message}`);
        return undefined;
      });
    if (result?.outcome === 'saved') {
      base = result.revision;
      acknowledged.push(save.page);
    } else base = (await store.read((db) => findSet(db, set.key)).catch(() => undefined))?.revision ?? base;
  }
  await crash;
  const found = await store.read((db) => findSet(db, set.key));
  const saved = await store.read((db) => db.select({ page: saves.page }).from(saves));
  expect(saved.map(({ page }) => page)).toEqual(expect.arrayContaining(acknowledged));
  expect(found!.revision).toBe(saved.length + 1);
  expect(told.length).toBeGreaterThan(0);
  for (const one of told)
    expect(one).toMatch(/^StoreError: The database cannot be reached\. Nothing was changed/);
  const again = await store.write((db) =>
    saveSet(db, set.key, retitled(set, 'after', 1, found!.revision, 'after')),
  );
  expect(again.outcome).toBe('saved');
  await close(stores);
});

test('connections on which no transaction can begin come back to the pool', async () => {
  const { stores } = await servers(1);
  const store = stores[0]!;
  const cut = Object.assign(new Error('write EPIPE'), { code: 'EPIPE' });
  const query = vi.spyOn(pg.Client.prototype, 'query');
  // One more than there are connections.
  for (let i = 0; i < 11; i++) {
    query.mockImplementationOnce(() => Promise.reject(cut));
    await expect(store.write((db) => createSet(db, titled('Never made')))).rejects.toThrow(
      /cannot be reached/,
    );
  }
  query.mockRestore();
  expect((await store.write((db) => createSet(db, titled('Made')))).id).toBe('made');
  await close(stores);
});

test('a database that answers nothing is given up, and its connection is not used again', async () => {
  const { stores } = await servers(1);
  const store = stores[0]!;
  const set = await store.write((db) => createSet(db, titled('Frozen')));
  let frozen = 0;
  const waits = store.write((db) =>
    db.transaction(async (tx) => {
      await saveSet(tx as never, set.key, retitled(set, 'p', 1, 1, 'half done'));
      const { rows } = await tx.execute<{ pid: number }>(sql`select pg_backend_pid() as pid`);
      frozen = rows[0]!.pid;
      process.kill(frozen, 'SIGSTOP');
      await tx.execute(sql`select 1`);
    }),
  );
  await expect(waits).rejects.toThrow(/did not respond in time/);
  expect((await store.read((db) => findSet(db, set.key)))?.document.title).toBe('Frozen');
  process.kill(frozen, 'SIGCONT');
  // It takes back what was half done, and so sets the row free.
  const again = await store.write((db) => saveSet(db, set.key, retitled(set, 'q', 1, 1, 'again')));
  expect(again).toMatchObject({ outcome: 'saved', revision: 2 });
  await close(stores);
});

test('a connection that is cut in the middle: nothing is half done, and the next question makes another', async () => {
  const { stores } = await servers(1);
  const store = stores[0]!;
  const set = await store.write((db) => createSet(db, titled('Cut')));
  const cut = store.write((db) =>
    db.transaction(async (tx) => {
      await saveSet(tx as never, set.key, retitled(set, 'p', 1, 1, 'half done'));
      await tx.execute(sql`select pg_terminate_backend(pg_backend_pid())`);
    }),
  );
  await expect(cut).rejects.toThrow(/cannot be reached/);
  expect((await store.read((db) => findSet(db, set.key)))?.document.title).toBe('Cut');
  await close(stores);
});

test('servers killed while they bring the tables up to date leave a database that the next one can', async () => {
  const root = fileURLToPath(new URL('../../..', import.meta.url));
  mkdirSync(join(root, 'node_modules', '.cache'), { recursive: true });
  // Beside the packages, so that they are found.
  const place = mkdtempSync(join(root, 'node_modules', '.cache', 'arbeit-server-'));
  await build({
    entryPoints: [fileURLToPath(new URL('./server.ts', import.meta.url))],
    outfile: join(place, 'server.mjs'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    loader: { '.json': 'json' },
  });
  writeFileSync(
    join(place, 'begin.mjs'),
    "import { openServer } from './server.mjs';\nprocess.stdout.write('begun');\nawait openServer(process.argv[2], process.argv[3]);\nprocess.stdout.write('open');\n",
  );
  for (const wait of [0, 20, 60, 120]) {
    const url = postgres().database(`killed${wait}`);
    const child: ChildProcess = spawn(process.execPath, [join(place, 'begin.mjs'), url, migrations]);
    await new Promise((resolve) => child.stdout!.once('data', resolve));
    await new Promise((resolve) => setTimeout(resolve, wait));
    child.kill('SIGKILL');
    const store = await openServer(url, migrations);
    expect((await store.read(listSets)).map(({ id }) => id)).toEqual(['ridge-huts']);
    await store.close();
  }
  rmSync(place, { recursive: true });
});

test('ten thousand revisions: five hundred are kept, and those with a name', async () => {
  const { stores } = await servers(1);
  const store = stores[0]!;
  const set = await store.write((db) => createSet(db, titled('Long')));
  await store.write(async (db) => {
    await db.execute(
      sql`insert into revisions (set_key, revision, document, name) select ${set.key}, n, '{"title":"x"}'::json, case when n % 1000 = 0 then 'Named' end from generate_series(2, 10000) as n`,
    );
    await db.execute(sql`update sets set revision = 10000 where key = ${set.key}`);
  });
  await store.write((db) => saveSet(db, set.key, retitled(set, 'p', 1, 10_000, 'one more')));
  const all = await store.read((db) => listRevisions(db, set.key));
  expect([all.length, all.filter(({ name }) => name).length]).toEqual([510, 10]);
  expect(await store.read((db) => droppedOf(db, set.key))).toEqual({ revisions: 9491, refused: 0 });
  await close(stores);
});

test.each([
  ['nobody there', () => 'postgres://arbeit@127.0.0.1:1/arbeit', /cannot be reached.*DATABASE_URL/],
  ['no such database', () => postgres().database('x').replace(/x$/, 'nothing'), /named in DATABASE_URL does not exist/],
  ['no such user', () => postgres().database('x').replace('arbeit@', 'nobody@'), /refuses the user/],
])('%s is told in words', async (_, url, words) => {
  await expect(openServer(url(), migrations)).rejects.toThrow(words);
}); // biome-ignore format: a case a line

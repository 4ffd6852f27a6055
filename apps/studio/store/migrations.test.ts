import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { expect, test } from 'vitest';
import { findRefused, listRefused } from './refusing.ts';
import { findRevision, listRevisions } from './revisions.ts';
import { saveSet } from './save-set.ts';
import { openServer } from './server.ts';
import { findSet, listSets, restoreSet } from './sets.ts';
import { testPostgres } from './test-postgres.fixture.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const postgres = testPostgres();

/** The migrations up to one, as an older Arbeit had them. */
function upTo(last: string): string {
  const folder = mkdtempSync(join(tmpdir(), 'arbeit-migrations-'));
  cpSync(migrations, folder, { recursive: true });
  const path = join(folder, 'meta', '_journal.json');
  const journal = JSON.parse(readFileSync(path, 'utf8')) as { entries: { tag: string }[] };
  const end = journal.entries.findIndex(({ tag }) => tag === last) + 1;
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, end) }));
  return folder;
}

test('a store from before sets had keys keeps its sets, revisions, refused versions and codes', async () => {
  const url = postgres().database('before_keys');
  const pool = new pg.Pool({ connectionString: url });
  await migrate(drizzle(pool), { migrationsFolder: upTo('0005_browsers') });
  const document = (title: string) =>
    `{"arbeit":1,"title":"${title}","locale":"en-GB","fields":[{"id":"a","kind":"text","label":"A"}]}`;
  const rows = `
    insert into sets (id, revision, document) values ('huts', 3, '${document('three')}'), ('broken', 1, '{"title":7}');
    insert into sets (id, revision, document, deleted_at) values ('gone', 1, '${document('gone')}', now());
    insert into revisions (set_id, revision, document, saved_by, name) values
      ('huts', 1, '${document('one')}', '', null), ('huts', 2, '${document('two')}', 'p', 'As agreed'),
      ('huts', 3, '${document('three')}', 'p', null), ('gone', 1, '${document('gone')}', '', null), ('nobody', 1, '{}', '', null);
    insert into refused (set_id, base_revision, document) values ('huts', 1, '${document('late')}'), ('huts', 1, '${document('late')}');
    insert into codes (address, salt, hash, sent_at, expires_at) values ('+447700900123', 's', 'h', now(), now());`;
  await pool.query(rows);
  await pool.end();

  const store = await openServer(url, migrations);
  await store.write(async (db) => {
    const all = await listSets(db);
    expect(all.map(({ id, title, fields }) => [id, title, fields]).sort()).toEqual([
      ['broken', '7', 0],
      ['huts', 'three', 1],
    ]);
    const huts = (await findSet(db, 'huts'))!;
    expect(huts).toMatchObject({ revision: 3, document: { title: 'three' } });
    expect((await listRevisions(db, 'huts')).map(({ revision, name }) => [revision, name])).toEqual([
      [3, null],
      [2, 'As agreed'],
      [1, null],
    ]);
    const late = await listRefused(db, 'huts');
    expect(late).toHaveLength(2);
    expect(await findRefused(db, 'huts', late[0]!.kept)).toMatchObject({ title: 'late' });
    expect(await restoreSet(db, 'gone')).toBe(true);
    // The page that made the latest revision goes on from it.
    const operations = [{ do: 'set', at: ['title'], value: 'four' }] as const;
    const save = { generation: huts.generation, page: 'p', counter: 1, base: 3, operations };
    expect(await saveSet(db, huts.key, save)).toMatchObject({ outcome: 'saved', revision: 4 });
    expect((await findRevision(db, 'huts', 4))?.title).toBe('four');
    expect((await findRevision(db, 'huts', 2))?.title).toBe('two');
    expect((await db.execute('select count(*)::int as n from codes')).rows).toEqual([{ n: 1 }]);
  });
  await store.close();
});

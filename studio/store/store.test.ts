import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { eq } from 'drizzle-orm';
import { build } from 'esbuild';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Database } from './database.ts';
import { FolderInUse, lockFolder } from './lock.ts';
import { revisions } from './schema.ts';
import {
  createSet,
  deleteSet,
  dropRefused,
  findRefused,
  findRevision,
  findSet,
  listRefused,
  listRevisions,
  listSets,
  nameRevision,
  renameSet,
  restoreSet,
  saveSet,
} from './sets.ts';
import { openStore } from './store.ts';
import { saying } from './trouble.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'arbeit-store-'));
const titled = (title: string): SetDocument => ({ arbeit: 1, title, locale: 'en-GB', fields: [] });

let db: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ db, close } = await openStore(folder, migrations));
});
afterAll(() => close());

describe('sets', () => {
  test('an empty store begins with the demo', async () => {
    expect((await listSets(db)).map(({ id, revision, document }) => [id, revision, document.title])).toEqual([
      ['ridge-huts', 1, 'Ridge Huts'],
    ]);
  });
  test('titles make ids, and a taken one gets a number', async () => {
    expect((await createSet(db, titled('Übersicht der Hütten!'))).id).toBe('u-bersicht-der-hu-tten');
    expect((await createSet(db, titled('Ridge Huts'))).id).toBe('ridge-huts-2');
    expect((await createSet(db, titled('山小屋'))).id).toBe('set');
  });
  test('a save on the latest revision is taken', async () => {
    const { id } = await createSet(db, titled('Saved'));
    expect(await saveSet(db, id, 1, titled('Saved twice'))).toEqual({ outcome: 'saved', revision: 2 });
    expect(await findSet(db, id)).toEqual({ id, revision: 2, document: titled('Saved twice') });
  });
  test('a save on an older revision is refused, and both versions are kept', async () => {
    const { id } = await createSet(db, titled('Two windows'));
    await saveSet(db, id, 1, titled('theirs'));
    const refusal = await saveSet(db, id, 1, titled('mine'));
    expect(refusal).toMatchObject({
      outcome: 'refused',
      theirs: { revision: 2, document: titled('theirs') },
    });
    expect(await findSet(db, id)).toMatchObject({ revision: 2, document: titled('theirs') });
    expect(refusal.outcome === 'refused' && (await findRefused(db, id, refusal.kept))).toEqual(
      titled('mine'),
    );
    expect(
      await findRefused(db, 'another', refusal.outcome === 'refused' ? refusal.kept : 0),
    ).toBeUndefined();
  });
  test('of two saves at the same moment one is refused', async () => {
    const { id } = await createSet(db, titled('Race'));
    const both = await Promise.all([saveSet(db, id, 1, titled('a')), saveSet(db, id, 1, titled('b'))]);
    expect(both.map(({ outcome }) => outcome).sort()).toEqual(['refused', 'saved']);
  });
  test('a set that is not there cannot be saved', async () => {
    expect(await saveSet(db, 'nowhere', 1, titled('x'))).toEqual({ outcome: 'missing' });
  });
  test('a document keeps the order it was written in', async () => {
    const document = JSON.parse('{"title":"Order","locale":"en","fields":[],"arbeit":1}') as SetDocument;
    const { id } = await createSet(db, document);
    expect(JSON.stringify((await findSet(db, id))?.document)).toBe(JSON.stringify(document));
  });
});

describe('a set as a whole', () => {
  test('taken off the shelf it is nowhere, and comes back as it was', async () => {
    const { id } = await createSet(db, titled('Gone'));
    await saveSet(db, id, 1, titled('Gone, later'));
    expect(await deleteSet(db, id)).toBe(true);
    expect(await deleteSet(db, id)).toBe(false);
    expect(await findSet(db, id)).toBeUndefined();
    expect((await listSets(db)).some((set) => set.id === id)).toBe(false);
    expect(await saveSet(db, id, 2, titled('x'))).toEqual({ outcome: 'missing' });
    expect((await createSet(db, titled('Gone'))).id).toBe(`${id}-2`);
    expect(await restoreSet(db, id)).toBe(true);
    expect(await restoreSet(db, id)).toBe(false);
    expect(await findSet(db, id)).toMatchObject({ revision: 2, document: titled('Gone, later') });
  });
  test('renamed, its revisions and refused saves go with it; an id another has is taken', async () => {
    const { id } = await createSet(db, titled('Named'));
    await saveSet(db, id, 1, titled('b'));
    await saveSet(db, id, 1, titled('late'));
    const { id: other } = await createSet(db, titled('Other'));
    expect(await renameSet(db, id, other)).toBe('taken');
    expect(await renameSet(db, 'nobody', 'free')).toBe('missing');
    expect(await renameSet(db, id, 'another-name')).toBe('renamed');
    expect(await findSet(db, id)).toBeUndefined();
    expect(await findSet(db, 'another-name')).toMatchObject({ revision: 2 });
    expect((await listRefused(db, 'another-name')).length).toBe(1);
    await deleteSet(db, other);
    expect(await renameSet(db, 'another-name', other)).toBe('taken');
  });
});

describe('saves of one page', () => {
  const revisionsOf = (id: string) =>
    db
      .select({ revision: revisions.revision })
      .from(revisions)
      .where(eq(revisions.setId, id))
      .orderBy(revisions.revision);
  test('within a few minutes they are one revision, those of another page another', async () => {
    const { id } = await createSet(db, titled('Runs'));
    for (let i = 1; i <= 5; i++) await saveSet(db, id, i, titled(`a${i}`), 'page-a');
    await saveSet(db, id, 6, titled('b'), 'page-b');
    await saveSet(db, id, 7, titled('c'), 'page-a');
    expect((await revisionsOf(id)).map(({ revision }) => revision)).toEqual([1, 6, 7, 8]);
    expect(await findSet(db, id)).toMatchObject({ revision: 8, document: titled('c') });
  });
  test('after those minutes a new one is begun', async () => {
    const { id } = await createSet(db, titled('Long'));
    await saveSet(db, id, 1, titled('a'), 'page');
    await db
      .update(revisions)
      .set({ begunAt: new Date(Date.now() - 6 * 60_000) })
      .where(eq(revisions.setId, id));
    await saveSet(db, id, 2, titled('b'), 'page');
    expect((await revisionsOf(id)).map(({ revision }) => revision)).toEqual([1, 2, 3]);
  });
  test('the same save a second time changes nothing, whoever saved in between; going back to it later is a save', async () => {
    const { id } = await createSet(db, titled('Twice'));
    const mine = titled('sent while leaving');
    await saveSet(db, id, 1, mine, 'page');
    expect(await saveSet(db, id, 1, mine, 'page')).toEqual({ outcome: 'saved', revision: 2 });
    await saveSet(db, id, 2, titled('theirs'), 'other');
    expect(await saveSet(db, id, 1, mine, 'page')).toEqual({ outcome: 'saved', revision: 3 });
    expect(await findSet(db, id)).toMatchObject({ revision: 3, document: titled('theirs') });
    expect((await saveSet(db, id, 2, mine, 'page')).outcome).toBe('refused');
    expect((await listRefused(db, id)).length).toBe(1);
  });
  test('an answer that never came is no conflict with oneself, what somebody else saved is', async () => {
    const { id } = await createSet(db, titled('Reloaded'));
    await saveSet(db, id, 1, titled('sent while leaving'), 'page');
    expect(await saveSet(db, id, 1, titled('after the reload'), 'page')).toEqual({
      outcome: 'saved',
      revision: 3,
    });
    await saveSet(db, id, 3, titled('theirs'), 'other');
    expect((await saveSet(db, id, 3, titled('mine'), 'page')).outcome).toBe('refused');
    expect((await saveSet(db, id, 99, titled('from the future'), 'page')).outcome).toBe('refused');
  });
});

test('revisions are listed, named, read as they were; one with a name is not gone on from', async () => {
  const document = { arbeit: 1, title: 'Named', locale: 'en-GB', fields: [] } as unknown as SetDocument;
  const { id } = await createSet(db, document);
  const titled = (title: string): SetDocument => ({ ...document, title });
  await saveSet(db, id, 1, titled('two'), 'page');
  expect(await nameRevision(db, id, 2, 'As agreed')).toBe(true);
  await saveSet(db, id, 2, titled('three'), 'page');
  await saveSet(db, id, 3, titled('four'), 'page');
  const all = await listRevisions(db, id);
  expect(all.map(({ revision, name }) => [revision, name])).toEqual([[4, null], [2, 'As agreed'], [1, null]]);
  expect((await findRevision(db, id, 2))?.title).toBe('two');
  expect(await findRevision(db, id, 3)).toBeUndefined();
  expect([await nameRevision(db, id, 3, 'x'), await nameRevision(db, id, 2, null)]).toEqual([false, true]);
  expect((await listRevisions(db, id)).every(({ name }) => name === null)).toBe(true);
}); // biome-ignore format: a row a revision

test('refused versions can be found, and forgotten', async () => {
  const { id } = await createSet(db, titled('Kept'));
  await saveSet(db, id, 1, titled('theirs'));
  await saveSet(db, id, 1, titled('mine'));
  await saveSet(db, id, 1, titled('mine again'));
  const found = await listRefused(db, id);
  expect(found.map(({ base }) => base)).toEqual([1, 1]);
  expect(await findRefused(db, id, found[0]!.kept)).toEqual(titled('mine again'));
  expect(await dropRefused(db, 'another', found[0]!.kept)).toBe(false);
  expect(await dropRefused(db, id, found[0]!.kept)).toBe(true);
  expect(await listRefused(db, id)).toHaveLength(1);
});

test('ten thousand autosaves of a thousand fields would stay under 50 MB', async () => {
  const place = mkdtempSync(join(tmpdir(), 'arbeit-size-'));
  const store = await openStore(place, migrations);
  const fields = Array.from({ length: 1000 }, (_, i) => ({
    id: `f${i}`, kind: 'pattern', label: `Hut ${i}`, hint: `${(i * 7919) % 10_007}`, entry: { pattern: '<3 digit>-<4 digit>' },
    rules: [{ id: 'r', check: { type: 'required' } }],
  })); // biome-ignore format: a field on a line
  const { id } = await store.write((to) => createSet(to, { ...titled('Many'), fields } as never));
  const bytes = () => Number(execFileSync('du', ['-sb', place], { encoding: 'utf8' }).split('\t')[0]);
  const save = async (from: number, count: number) => {
    for (let i = from; i < from + count; i++)
      await store.write((to) => saveSet(to, id, i, { ...titled(`Many ${i}`), fields } as never, 'page'));
  };
  await save(1, 120);
  const half = bytes();
  await save(121, 120);
  const whole = bytes();
  await store.close();
  // What the second half added, for every further 120.
  const extrapolated = whole + (Math.max(0, whole - half) * (10_000 - 240)) / 120;
  expect(extrapolated, `${(whole / 1e6).toFixed(1)} MB after 240`).toBeLessThan(50_000_000);
});

describe('what keeps the store from answering is said in words', () => {
  test.each([
    [{ code: 'ENOSPC' }, /disk .* is full/],
    [{ code: '53100' }, /disk .* is full/],
    [
      new Error('Failed query', { cause: new Error('could not write: No space left on device') }),
      /Free some space/,
    ],
    [{ code: 'EROFS' }, /cannot be written to/],
    [{ code: 'EACCES' }, /ARBEIT_DATA/],
    [{ code: 'XX001' }, /damaged/],
    [new Error('RuntimeError: unreachable'), /damaged/],
    [new Error('whatever'), /Nothing was changed/],
  ])('%s', (error, words) => expect(saying(error, '/data').message).toMatch(words));

  test('an error of whoever asks is not the store’s', async () => {
    const place = mkdtempSync(join(tmpdir(), 'arbeit-ours-'));
    const store = await openStore(place, migrations);
    const ours = () => Promise.reject(new TypeError('x is undefined'));
    await expect(store.read(ours)).rejects.toThrow(TypeError);
    await expect(store.write(ours)).rejects.toThrow(TypeError);
    await expect(store.read((db) => db.execute('select nothing from nowhere'))).rejects.toMatchObject({
      name: 'StoreTrouble',
      message: expect.stringContaining('did not answer'),
    });
    await store.close();
  });

  test('a file where the folder should be, a damaged store', async () => {
    const place = mkdtempSync(join(tmpdir(), 'arbeit-bad-'));
    writeFileSync(join(place, 'file'), '');
    await expect(openStore(join(place, 'file'), migrations)).rejects.toThrow(/is no folder/);
    const store = await openStore(join(place, 'whole'), migrations);
    await store.close();
    writeFileSync(join(place, 'whole', 'pg', 'global', 'pg_control'), 'x'.repeat(8192));
    await expect(openStore(join(place, 'whole'), migrations)).rejects.toThrow(/damaged/);
    // The lock is let go again.
    expect(existsSync(join(place, 'whole', 'arbeit.lock'))).toBe(false);
  });

  test('a folder taken away while Arbeit runs', async () => {
    const place = mkdtempSync(join(tmpdir(), 'arbeit-gone-'));
    const store = await openStore(place, migrations);
    rmSync(join(place, 'arbeit.lock'));
    await expect(store.write((to) => createSet(to, titled('x')))).rejects.toThrow(/moved or deleted/);
    expect(await store.read(listSets)).toHaveLength(1);
    await store.close();
  });
});

describe('the lock on the data folder', () => {
  test('a second opening is refused, and says who and what to do', () => {
    expect(() => lockFolder(folder)).toThrow(FolderInUse);
    expect(() => lockFolder(folder)).toThrow(/in use by another Arbeit \(process \d+\).*ARBEIT_DATA/);
  });
  test('also from another process', () => {
    const script = `const fs=require('fs');const lock=JSON.parse(fs.readFileSync(${JSON.stringify(join(folder, 'arbeit.lock'))}));try{process.kill(lock.pid,0);process.exit(3)}catch{process.exit(0)}`;
    expect(spawnSync(process.execPath, ['-e', script]).status).toBe(3);
  });
  const stale = (): string => {
    const gone = spawnSync(process.execPath, ['-e', '']).pid;
    return JSON.stringify({ pid: gone, started: '1', host: hostname() });
  };
  test.each([
    ['one left behind by a process that is gone', stale()],
    [
      'one whose number has gone to another process',
      JSON.stringify({ pid: process.pid, started: 'long ago', host: hostname() }),
    ],
    ['garbage', '}{'],
    ['another file', '"text"'],
    ['nothing', ''],
  ])('%s is taken over, once', (_, text) => {
    const left = mkdtempSync(join(tmpdir(), 'arbeit-lock-'));
    writeFileSync(join(left, 'arbeit.lock'), text);
    const held = lockFolder(left);
    expect(held.isStill()).toBe(true);
    expect(() => lockFolder(left)).toThrow(FolderInUse);
    held.release();
    expect(readdirSync(left)).toEqual([]);
  });
  test('one of another machine is respected, and how to be rid of it is said', () => {
    const left = mkdtempSync(join(tmpdir(), 'arbeit-lock-'));
    writeFileSync(
      join(left, 'arbeit.lock'),
      JSON.stringify({ pid: 1, started: '1', host: 'another-machine' }),
    );
    expect(() => lockFolder(left)).toThrow(/another-machine.*delete/);
  });
  test('of six processes at once one gets it, whatever lies there', async () => {
    const script = fileURLToPath(new URL('./lock.contender.mjs', import.meta.url));
    const { outputFiles } = await build({
      entryPoints: [fileURLToPath(new URL('./lock.ts', import.meta.url))],
      bundle: true,
      platform: 'node',
      format: 'esm',
      write: false,
    });
    const place = mkdtempSync(join(tmpdir(), 'arbeit-six-'));
    writeFileSync(join(place, 'lock.mjs'), outputFiles[0]!.text);
    const rounds = Number(process.env.ARBEIT_ROUNDS ?? 12);
    const result = spawnSync(
      process.execPath,
      [script, join(place, 'lock.mjs'), join(place, 'data'), String(rounds), stale()],
      { encoding: 'utf8' },
    );
    expect(result.stderr).toBe('');
    expect(JSON.parse(result.stdout)).toEqual({ rounds, holders: rounds });
  });
});

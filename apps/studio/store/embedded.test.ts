import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { sql } from 'drizzle-orm';
import { describe, expect, test, vi } from 'vitest';
import { newFolder } from './new-folder.fixture.ts';
import { savingPage } from './saving-page.fixture.ts';
import { createSet, listSets } from './sets.ts';
import { openStore } from './store.ts';
import { asStoreError } from './store-error.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
/** Saves in each half of a measurement; `npm run hard` makes more. */
const saves = Number(process.env.ARBEIT_AUTOSAVES ?? 25);
const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });

test('ten thousand autosaves of a thousand fields would stay under 50 MB', async () => {
  const place = await newFolder();
  const store = await openStore(place, migrations);
  const fields = Array.from({ length: 1000 }, (_, i) => ({
    id: `f${i}`, kind: 'pattern', label: `Hut ${i}`, hint: `${(i * 7919) % 10_007}`, entry: { pattern: '<3 digit>-<4 digit>' },
    rules: [{ id: 'r', check: { type: 'required' } }],
  })); // biome-ignore format: a field on a line
  const set = await store.write((to) => createSet(to, { ...titled('Many'), fields } as never));
  const page = savingPage(store.db, set);
  const bytes = () => Number(execFileSync('du', ['-sb', place], { encoding: 'utf8' }).split('\t')[0]);
  const save = async (from: number, count: number) => {
    for (let i = from; i < from + count; i++)
      await store.write(() => page.save({ ...titled(`Many ${i}`), fields } as never));
  };
  await save(1, saves);
  const half = bytes();
  await save(saves + 1, saves);
  const whole = bytes();
  await store.close();
  // What the second half added, for as many again each time.
  const extrapolated = whole + (Math.max(0, whole - half) * (10_000 - 2 * saves)) / saves;
  expect(extrapolated, `${(whole / 1e6).toFixed(1)} MB after ${2 * saves}`).toBeLessThan(50_000_000);
});

test('the rest of a transaction is refused after its thread has ended', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  const store = await openStore(await newFolder(), migrations);
  const refused: string[] = [];
  const work = store.write((db) =>
    db.transaction(async (tx) => {
      await createSet(tx, titled('First half'));
      const hanging = tx.execute(sql`select pg_sleep(1000)`).catch((error: Error) => error);
      // The message to the thread is posted before the time limit begins.
      await new Promise((soon) => setImmediate(soon));
      vi.advanceTimersByTime(10_000);
      await hanging;
      await createSet(tx, titled('Second half')).catch((error: Error) => {
        refused.push(String(error.cause ?? error));
        throw error;
      });
    }),
  );
  await expect(work).rejects.toMatchObject({ name: 'StoreError' });
  expect(refused).toEqual([expect.stringContaining('Nothing was changed; try again')]);
  expect((await store.read(listSets)).map(({ title }) => title)).toEqual(['Ridge Huts']);
  vi.useRealTimers();
  await store.close();
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
  ])('%s', (error, words) => expect(asStoreError(error, '/data').message).toMatch(words));

  test('an error of whoever asks is not the store’s', async () => {
    const place = await newFolder();
    const store = await openStore(place, migrations);
    const ours = () => Promise.reject(new TypeError('x is undefined'));
    await expect(store.read(ours)).rejects.toThrow(TypeError);
    await expect(store.write(ours)).rejects.toThrow(TypeError);
    await expect(store.read((db) => db.execute('select nothing from nowhere'))).rejects.toMatchObject({
      name: 'StoreError',
      message: expect.stringContaining('No response from the database'),
    });
    await store.close();
  });

  test('a file where the folder should be, a damaged store', async () => {
    const place = mkdtempSync(join(tmpdir(), 'arbeit-bad-'));
    writeFileSync(join(place, 'file'), '');
    await expect(openStore(join(place, 'file'), migrations)).rejects.toThrow(/is not a folder/);
    const whole = await newFolder();
    const store = await openStore(whole, migrations);
    await store.close();
    writeFileSync(join(whole, 'pg', 'global', 'pg_control'), 'x'.repeat(8192));
    await expect(openStore(whole, migrations)).rejects.toThrow(/damaged/);
    // The lock is let go again.
    expect(existsSync(join(whole, 'arbeit.lock'))).toBe(false);
  });

  test('a store of which something is missing is damaged, and no new one is begun over it', async () => {
    const place = await newFolder();
    const store = await openStore(place, migrations);
    await store.close();
    rmSync(join(place, 'pg', 'PG_VERSION'));
    await expect(openStore(place, migrations)).rejects.toThrow(/damaged.*PG_VERSION is missing/);
    await expect(openStore(place, migrations)).rejects.toThrow(/Keep this folder/);
    expect(existsSync(join(place, 'arbeit.lock'))).toBe(false);
  });

  test('a folder taken away while Arbeit runs', async () => {
    const place = await newFolder();
    const store = await openStore(place, migrations);
    rmSync(join(place, 'arbeit.lock'));
    await expect(store.write((to) => createSet(to, titled('x')))).rejects.toThrow(/moved or deleted/);
    expect(await store.read(listSets)).toHaveLength(1);
    await store.close();
  });
});

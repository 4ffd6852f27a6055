import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { sql } from 'drizzle-orm';
import { describe, expect, test, vi } from 'vitest';
import { newFolder } from './new-folder.fixture.ts';
import { createSet, listSets } from './sets.ts';
import { openStore } from './store.ts';
import { asStoreError } from './store-error.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });

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

import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterEach, expect, test, vi } from 'vitest';
import type { Store } from './database.ts';
import { newFolder } from './new-folder.fixture.ts';
import { createSet, listSets } from './sets.ts';
import { openStore } from './store.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const titled = (title: string) => ({ arbeit: 2, title, locale: 'en-GB', fields: [] }) as const;

/** Where no disk can be mounted, one is only said to be full. */
const said = vi.hoisted(() => ({ isFull: false }));
vi.mock('node:fs', async (original) => {
  const fs = await original<typeof import('node:fs')>();
  const statfs = (path: string) => ({ ...fs.statfsSync(path), ...(said.isFull ? { bavail: 0 } : {}) });
  return { ...fs, statfsSync: statfs };
});

/** A disk of its own, in memory: a real one, that can be full. */
let place = '';
let isReal = false;
let store: Store | undefined;
function disk(options: string): string {
  place = mkdtempSync(join(tmpdir(), 'arbeit-disk-'));
  isReal = spawnSync('mount', ['-t', 'tmpfs', '-o', options, 'tmpfs', place]).status === 0;
  return place;
}
afterEach(async () => {
  await store?.close();
  store = undefined;
  said.isFull = false;
  if (isReal) execFileSync('umount', ['-l', place]);
  rmSync(place, { recursive: true });
});

const free = (): number => {
  const { bavail, bsize } = statfsSync(place);
  return bavail * bsize;
};
const fill = (left: number): void => {
  if (isReal) writeFileSync(join(place, 'full'), Buffer.alloc(free() - left, 1));
  else said.isFull = true;
};
const clear = (): void => {
  rmSync(join(place, 'full'), { force: true });
  said.isFull = false;
};
const make = (title: string) => store!.write((db) => createSet(db, titled(title)));
const names = () => store!.read(listSets).then((all) => all.map(({ title }) => title));

test('a full disk: a write is refused in words, reads go on, and with space again writes do', async () => {
  store = await openStore(await newFolder(join(disk('size=120m'), 'data')), migrations);
  await make('Before');
  fill(100_000);
  await expect(make('Meanwhile')).rejects.toThrow(/disk .* is full.*Free some space/);
  expect(await names()).toEqual(['Before', 'Ridge Huts']);
  clear();
  await make('After');
  expect(await names()).toEqual(['After', 'Before', 'Ridge Huts']);
});

test('a disk that was full when Arbeit was killed: the store opens, and can be read', async () => {
  const folder = await newFolder(join(disk('size=120m'), 'data'));
  store = await openStore(folder, migrations);
  await make('Before');
  await store.close();
  fill(0);
  store = await openStore(folder, migrations);
  expect(await names()).toEqual(['Before', 'Ridge Huts']);
  await expect(make('Meanwhile')).rejects.toThrow(/disk .* is full/);
});

test('a disk without a file left, though it has room: what was begun fails, and the store goes on', async () => {
  store = await openStore(await newFolder(join(disk('size=200m,nr_inodes=1700'), 'data')), migrations);
  await make('Before');
  const ffree = isReal ? statfsSync(place).ffree : 0;
  for (let i = 0; i < ffree; i++) writeFileSync(join(place, `f${i}`), '');
  // What needs no new file may be taken; nothing may hang, and nothing that was taken be lost.
  const taken: string[] = ['Before'];
  for (let i = 0; i < 40; i++)
    await make(`Meanwhile ${i}`).then(
      () => taken.push(`Meanwhile ${i}`),
      (error: Error) => expect(error.name).toBe('StoreError'),
    );
  for (let i = 0; i < ffree; i++) rmSync(join(place, `f${i}`));
  await make('After');
  const all = await names();
  for (const title of [...taken, 'After']) expect(all).toContain(title);
});

import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { SetDocument } from '../../engine/compile/document.ts';
import { FolderInUse, lockFolder } from './lock.ts';
import { createSet, findRefused, findSet, listSets, saveSet } from './sets.ts';
import { type Database, openStore } from './store.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'arbeit-store-'));
const titled = (title: string): SetDocument => ({ arbeit: 1, title, locale: 'en-GB', fields: [] });

let db: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ db, close } = await openStore(folder, migrations));
}, 60_000);
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

describe('the lock on the data folder', () => {
  test('a second opening is refused, and says who and what to do', () => {
    expect(() => lockFolder(folder)).toThrow(FolderInUse);
    expect(() => lockFolder(folder)).toThrow(/in use by another Arbeit \(process \d+\).*ARBEIT_DATA/);
  });
  test('also from another process', () => {
    const script = `const fs=require('fs');const lock=JSON.parse(fs.readFileSync(${JSON.stringify(join(folder, 'arbeit.lock'))}));try{process.kill(lock.pid,0);process.exit(3)}catch{process.exit(0)}`;
    expect(spawnSync(process.execPath, ['-e', script]).status).toBe(3);
  });
  test('one left behind by a process that is gone is taken over', () => {
    const left = mkdtempSync(join(tmpdir(), 'arbeit-lock-'));
    const gone = spawnSync(process.execPath, ['-e', '']).pid;
    writeFileSync(join(left, 'arbeit.lock'), JSON.stringify({ pid: gone, started: '1' }));
    const release = lockFolder(left);
    expect(() => lockFolder(left)).toThrow(FolderInUse);
    release();
    expect(existsSync(join(left, 'arbeit.lock'))).toBe(false);
  });
  test('so is one whose number has gone to another process', () => {
    const left = mkdtempSync(join(tmpdir(), 'arbeit-lock-'));
    writeFileSync(join(left, 'arbeit.lock'), JSON.stringify({ pid: process.pid, started: 'long ago' }));
    expect(() => lockFolder(left)()).not.toThrow();
  });
});

import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { eq, sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { changedWords } from '../model/changed-words.ts';
import type { Database } from './database.ts';
import { soundSet } from './documents.ts';
import { dropRefused, findRefused, listRefused } from './refusing.ts';
import { droppedOf, findRevision, listRevisions, nameRevision } from './revisions.ts';
import { changesSince, saveSet } from './save-set.ts';
import { savingPage } from './saving-page.fixture.ts';
import { revisions, saves, sets, stores } from './schema.ts';
import { openServer } from './server.ts';
import { createSet, deleteSet, findSet, findSets, keyOf, listSets, renameSet, restoreSet } from './sets.ts';
import { openStore } from './store.ts';
import { testPostgres } from './test-postgres.fixture.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'arbeit-store-'));
const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });

const postgres = testPostgres();

describe.each([
  ['in a folder', () => openStore(folder, migrations)],
  ['on PostgreSQL', () => openServer(postgres().database('suite'), migrations)],
])('a store %s', (_, open) => {
  let db: Database;
  let close: () => Promise<void>;
  beforeAll(async () => {
    ({ db, close } = await open());
  });
  afterAll(() => close());

  describe('sets', () => {
    test('an empty store begins with the demo', async () => {
      expect((await listSets(db)).map(({ id, title, fields }) => [id, title, fields > 5])).toEqual([
        ['ridge-huts', 'Ridge Huts', true],
      ]);
    });
    test('titles make ids, and a taken one gets a number', async () => {
      expect((await createSet(db, titled('Übersicht der Hütten!'))).id).toBe('ubersicht-der-hutten');
      expect((await createSet(db, titled('Ridge Huts'))).id).toBe('ridge-huts-2');
      expect((await createSet(db, titled('山小屋'))).id).toBe('set');
    });
    test('sets are found by what is in their title, in any letters, some at a time', async () => {
      for (const title of ['ZÜRICH 1', 'Zürich 2', '100 % zürich', '1000 zürich']) await createSet(db, titled(title)); // biome-ignore format: sets
      const found = async (title: string, from = 0, most = 50) => {
        const { sets, count } = await findSets(db, { title, from, most });
        return [sets.map((set) => set.title), count];
      };
      expect(await found('zürich')).toEqual([['1000 zürich', '100 % zürich', 'Zürich 2', 'ZÜRICH 1'], 4]);
      expect(await found('ZÜRICH', 1, 2)).toEqual([['100 % zürich', 'Zürich 2'], 4]);
      expect(await found('0 % ')).toEqual([['100 % zürich'], 1]);
      expect(await found('nothing')).toEqual([[], 0]);
      const all = (await listSets(db)).map(({ title }) => title);
      expect(await found('', 2, 3)).toEqual([all.slice(2, 5), all.length]);
    });
    test('a save on the latest revision is taken', async () => {
      const set = await createSet(db, titled('Saved'));
      const saved = await savingPage(db, set).save(titled('Saved twice'));
      expect(saved).toMatchObject({ outcome: 'saved', revision: 2, theirs: [] });
      expect(await findSet(db, set.id)).toEqual({ ...set, revision: 2, document: titled('Saved twice') });
      expect((await listSets(db)).find(({ key }) => key === set.key)).toMatchObject({ title: 'Saved twice' });
    });
    test('a save of what somebody else changed meanwhile is refused, and both versions are kept', async () => {
      const set = await createSet(db, titled('Two windows'));
      await savingPage(db, set, 'other').save(titled('theirs'));
      const refusal = await savingPage(db, set).save(titled('mine'));
      expect(refusal).toMatchObject({
        outcome: 'refused',
        because: 'conflict',
        theirs: { key: set.key, revision: 2, document: titled('theirs') },
      });
      expect(await findSet(db, set.id)).toMatchObject({ revision: 2, document: titled('theirs') });
      const kept = refusal.outcome === 'refused' ? refusal.kept! : 0;
      expect(await findRefused(db, set.id, kept)).toEqual(titled('mine'));
      expect(await findRefused(db, 'another', kept)).toBeUndefined();
    });
    test('a save of something else is joined to it, and what others did is told', async () => {
      const set = await createSet(db, titled('Joined'));
      const [a, b] = [savingPage(db, set, 'a'), savingPage(db, set, 'b')];
      await a.save({ ...titled('Joined'), locale: 'de-DE' });
      const joined = await b.save(titled('By both'));
      expect(joined).toMatchObject({
        outcome: 'saved',
        revision: 3,
        theirs: [{ do: 'set', at: ['locale'], before: 'en-GB', value: 'de-DE' }],
      });
      expect((await findSet(db, set.key))?.document).toEqual({ ...titled('By both'), locale: 'de-DE' });
      expect(await changesSince(db, set.key, 1, set.generation)).toMatchObject({
        revision: 3,
        theirs: [{}, {}],
      });
    });
    test('what each for itself could do, and both together cannot, is a conflict', async () => {
      const field = (id: string) => ({ id, kind: 'text', label: id, entry: {} });
      const both = { ...titled('Form'), fields: [field('a'), field('b')] } as unknown as SetDocument;
      const set = await createSet(db, both);
      await savingPage(db, set, 'a').save({ ...both, fields: [both.fields[0]!] });
      const form = { ...both, forms: [{ id: 'f', fields: ['a', 'b'] }] };
      expect(await savingPage(db, set, 'b').save(form)).toMatchObject({
        outcome: 'refused',
        because: 'conflict',
      });
      expect(
        await savingPage(db, set, 'c').save({ ...both, fields: [field('a'), field('a')] } as never, {
          base: 2,
        }),
      ).toMatchObject({
        outcome: 'faulty',
      });
    });
    test('one that would make the set larger than a set may be is refused, and how large is said', async () => {
      const set = await createSet(db, titled('Large'));
      const texts = Object.fromEntries(
        Array.from({ length: 420 }, (_, i) => [`fields/f/x${i}`, 'y'.repeat(9_600)]),
      );
      const large = await savingPage(db, set).save({ ...titled('Large'), texts: { de: texts } });
      expect(large).toMatchObject({
        outcome: 'faulty',
        faults: [{ path: '$', message: expect.stringMatching(/too large \(4\.\d MB\).*maximum is 4 MB/) }],
      });
      expect(await findSet(db, set.id)).toMatchObject({ revision: 1 });
    });
    test('of two saves at the same moment one is refused', async () => {
      const set = await createSet(db, titled('Race'));
      const both = await Promise.all([
        savingPage(db, set, 'a').save(titled('a')),
        savingPage(db, set, 'b').save(titled('b')),
      ]);
      expect(both.map(({ outcome }) => outcome).sort()).toEqual(['refused', 'saved']);
    });
    test('a set that is not there cannot be saved', async () => {
      const save = { generation: 'g', page: 'p', counter: 1, base: 1, operations: [] };
      expect(await saveSet(db, 'nowhere', save)).toEqual({ outcome: 'missing' });
    });
    test('a document of version 1 is read in the current version, and stored in it when it is next saved', async () => {
      const { key } = await createSet(db, titled('Lockers'));
      const old = { arbeit: 1, title: 'Lockers', locale: 'en-GB', fields: [{ id: 'a', kind: 'own', label: 'A', entry: { code: 'export const shape = (c) => c;' } }] }; // biome-ignore format: a document a line
      const current = { ...old, arbeit: 2, fields: [{ ...old.fields[0], kind: 'custom' }] };
      const stored = async () =>
        (await db.select({ document: sets.document }).from(sets).where(eq(sets.key, key)))[0]?.document;
      await db
        .update(sets)
        .set({ document: old as unknown as SetDocument })
        .where(eq(sets.key, key));
      // What was read before is kept by revision: a new key of the cache is a new revision.
      await db.update(sets).set({ revision: 7 }).where(eq(sets.key, key));
      await db.update(revisions).set({ revision: 7 }).where(eq(revisions.setKey, key));
      const found = (await soundSet(db, key))!;
      expect(found).toMatchObject({ document: current, faults: [] });
      expect((await findSet(db, key))?.document).toEqual(current);
      expect(await findRevision(db, key, 7)).toEqual(current);
      expect(await stored()).toEqual(old);
      const page = savingPage(db, found);
      expect(await page.save({ ...found.document, title: 'Lockers of the huts' })).toMatchObject({
        outcome: 'saved',
      });
      expect(await stored()).toEqual({ ...current, title: 'Lockers of the huts' });
    });
    test('a document keeps the order it was written in', async () => {
      const document = JSON.parse('{"title":"Order","locale":"en","fields":[],"arbeit":2}') as SetDocument;
      const { id } = await createSet(db, document);
      expect(JSON.stringify((await findSet(db, id))?.document)).toBe(JSON.stringify(document));
    });
  });

  describe('a set as a whole', () => {
    test('taken off the shelf it is nowhere, and comes back as it was', async () => {
      const set = await createSet(db, titled('Gone'));
      const { id } = set;
      const page = savingPage(db, set);
      await page.save(titled('Gone, later'));
      expect(await deleteSet(db, id)).toBe(true);
      expect(await deleteSet(db, id)).toBe(false);
      expect(await findSet(db, id)).toBeUndefined();
      expect((await listSets(db)).some((one) => one.id === id)).toBe(false);
      expect(await page.save(titled('x'))).toMatchObject({ outcome: 'missing' });
      expect((await createSet(db, titled('Gone'))).id).toBe(`${id}-2`);
      expect(await restoreSet(db, id)).toBe(true);
      expect(await restoreSet(db, id)).toBe(false);
      expect(await findSet(db, id)).toMatchObject({ revision: 2, document: titled('Gone, later') });
    });
    test('renamed, it is found by its key, its name and those it had; its pages go on saving it', async () => {
      const set = await createSet(db, titled('Named'));
      const page = savingPage(db, set);
      await page.save(titled('b'));
      await savingPage(db, set, 'late').save(titled('late'));
      const { id: other } = await createSet(db, titled('Other'));
      expect(await renameSet(db, set.id, other)).toBe('taken');
      expect(await renameSet(db, 'nobody', 'free')).toBe('missing');
      expect(await renameSet(db, set.id, 'another-name')).toBe('renamed');
      for (const address of [set.key, 'another-name', set.id])
        expect(await findSet(db, address)).toMatchObject({ key: set.key, id: 'another-name', revision: 2 });
      expect((await listRefused(db, 'another-name')).length).toBe(1);
      expect(await page.save(titled('after it'))).toMatchObject({ outcome: 'saved', revision: 3 });
      await deleteSet(db, other);
      expect(await renameSet(db, 'another-name', other)).toBe('taken');
    });
    test('a name that another set has taken since leads to that one, and a stale page saves its own', async () => {
      const set = await createSet(db, titled('First of it'));
      const stale = savingPage(db, set);
      await renameSet(db, set.id, 'moved-away');
      const next = await createSet(db, titled('First of it'));
      expect(next.id).toBe(set.id);
      expect(await keyOf(db, set.id)).toBe(next.key);
      await stale.save(titled('by the stale page'));
      expect((await findSet(db, next.key))?.document.title).toBe('First of it');
      expect((await findSet(db, set.key))?.document.title).toBe('by the stale page');
      expect(await renameSet(db, set.key, set.id)).toBe('taken');
      expect(await renameSet(db, set.key, 'moved-away')).toBe('renamed');
    });
    test('of forty of one title each has a name of its own', async () => {
      const made = await Promise.all(Array.from({ length: 40 }, () => createSet(db, titled('Forty'))));
      expect(new Set(made.map(({ id }) => id)).size).toBe(40);
    });
  });

  describe('saves in their order', () => {
    const revisionsOf = (key: string) =>
      db
        .select({ revision: revisions.revision })
        .from(revisions)
        .where(eq(revisions.setKey, key))
        .orderBy(revisions.revision);
    test('within a few minutes those of one page are one revision, those of another page another', async () => {
      const set = await createSet(db, titled('Runs'));
      const [a, b] = [savingPage(db, set, 'page-a'), savingPage(db, set, 'page-b')];
      for (let i = 1; i <= 5; i++) await a.save(titled(`a${i}`));
      await b.save({ ...titled('Runs'), locale: 'de-DE' });
      await a.save(titled('c'));
      expect((await revisionsOf(set.key)).map(({ revision }) => revision)).toEqual([1, 6, 7, 8]);
      expect(await findSet(db, set.id)).toMatchObject({
        revision: 8,
        document: { title: 'c', locale: 'de-DE' },
      });
    });
    test.each([
      ['after those minutes', -6 * 60_000],
      ['where the clock was set back a day', 24 * 60 * 60_000],
    ])('%s a new one is begun', async (_, begun) => {
      const set = await createSet(db, titled('Long'));
      const page = savingPage(db, set);
      await page.save(titled('a'));
      await db
        .update(revisions)
        .set({ begunAt: new Date(Date.now() + begun) })
        .where(eq(revisions.setKey, set.key));
      await page.save(titled('b'));
      expect((await revisionsOf(set.key)).map(({ revision }) => revision)).toEqual([1, 2, 3]);
    });
    test('the same save again changes nothing, whoever saved in between, and is answered as it was', async () => {
      const set = await createSet(db, titled('Twice'));
      const page = savingPage(db, set);
      const { save } = await page.save(titled('sent while leaving'));
      expect(await page.again(save)).toMatchObject({ outcome: 'saved', revision: 2, theirs: [] });
      const other = savingPage(db, { ...set, revision: 2, document: titled('sent while leaving') }, 'other');
      await other.save(titled('theirs'));
      expect(await page.again(save)).toMatchObject({
        outcome: 'saved',
        revision: 3,
        theirs: [{ value: 'theirs' }],
      });
      expect(await findSet(db, set.id)).toMatchObject({ revision: 3, document: titled('theirs') });
      expect(await listRefused(db, set.id)).toEqual([]);
    });
    test('one that is older than what its page has saved since is refused, and is nothing to choose about', async () => {
      const set = await createSet(db, titled('Late'));
      const page = savingPage(db, set);
      const { save } = await page.save(titled('a'));
      await page.save(titled('b'));
      expect(await page.again(save)).toMatchObject({ outcome: 'refused', because: 'order', kept: null });
      // Of one number, but something else: that is not it.
      expect(await page.save(titled('c'), { counter: 2 })).toMatchObject({
        outcome: 'refused',
        because: 'order',
      });
      expect(await findSet(db, set.id)).toMatchObject({ revision: 3, document: titled('b') });
      expect(await listRefused(db, set.id)).toEqual([]);
    });
    test('one of another store, or of a revision that never was, is refused', async () => {
      const set = await createSet(db, titled('Elsewhere'));
      const page = savingPage(db, set);
      expect(await page.save(titled('x'), { generation: 'g_other' })).toMatchObject({
        because: 'generation',
      });
      expect(await page.save(titled('x'), { base: 99 })).toMatchObject({
        outcome: 'refused',
        because: 'base',
      });
      expect(await changesSince(db, set.key, 1, 'g_other')).toMatchObject({ whole: { revision: 1 } });
      expect(await changesSince(db, set.key, 99, set.generation)).toMatchObject({ whole: { revision: 1 } });
    });
    test('a stale save sent sixty times is kept once; of more than fifty the oldest are dropped, and counted', async () => {
      const set = await createSet(db, titled('Stale'));
      await savingPage(db, set, 'other').save(titled('theirs'));
      const stale = savingPage(db, set);
      for (let i = 0; i < 60; i++) await stale.save(titled('mine'));
      expect(await listRefused(db, set.id)).toHaveLength(1);
      for (let i = 0; i < 52; i++) await stale.save(titled(`mine ${i}`));
      expect(await listRefused(db, set.id)).toHaveLength(50);
      expect(await droppedOf(db, set.id)).toEqual({ revisions: 0, refused: 3 });
    });
    test('of more than five hundred revisions the oldest without a name are dropped, and counted', async () => {
      const set = await createSet(db, titled('Many'));
      const rows = Array.from({ length: 505 }, (_, i) => ({
        setKey: set.key,
        revision: i + 2,
        document: titled(`${i}`),
        name: i === 0 ? 'As agreed' : null,
      }));
      await db.insert(revisions).values(rows);
      await db.execute(sql`update sets set revision = 506 where key = ${set.key}`);
      await savingPage(db, { ...set, revision: 506 }).save(titled('one more'));
      const all = await listRevisions(db, set.id);
      expect([all.length, all.at(-1), all.at(-2)]).toMatchObject([
        501,
        { name: 'As agreed' },
        { revision: 8 },
      ]);
      expect(await droppedOf(db, set.id)).toEqual({ revisions: 6, refused: 0 });
    });
    test('the log is cut where it is long: a page that lies far back gets the whole', async () => {
      const set = await createSet(db, titled('Log'));
      const rows = Array.from({ length: 2100 }, (_, i) => ({
        setKey: set.key,
        revision: i + 2,
        page: 'p',
        operations: [],
        size: 2,
      }));
      await db.insert(saves).values(rows);
      await db.execute(sql`update sets set revision = 2101 where key = ${set.key}`);
      const page = savingPage(db, { ...set, revision: 2101 });
      for (let i = 0; i < 50; i++) await page.save(titled(`t${i}`));
      const left = await db.select({ revision: saves.revision }).from(saves).where(eq(saves.setKey, set.key));
      expect(left.length).toBeLessThanOrEqual(2001);
      expect(await changesSince(db, set.key, 5, set.generation)).toMatchObject({ whole: { revision: 2151 } });
      expect(await changesSince(db, set.key, 2150, set.generation)).toMatchObject({
        revision: 2151,
        theirs: [{}],
      });
    });
  });

  test('revisions are listed, named, read as they were; one with a name is not gone on from', async () => {
  const set = await createSet(db, titled('Named'));
  const page = savingPage(db, set);
  const { id } = set;
  await page.save(titled('two'));
  expect(await nameRevision(db, id, 2, 'As agreed')).toBe(true);
  await page.save(titled('three'));
  await page.save(titled('four'));
  const all = await listRevisions(db, id);
  expect(all.map(({ revision, name }) => [revision, name])).toEqual([[4, null], [2, 'As agreed'], [1, null]]);
  expect((await findRevision(db, id, 2))?.title).toBe('two');
  expect(await findRevision(db, id, 3)).toBeUndefined();
  expect([await nameRevision(db, id, 3, 'x'), await nameRevision(db, id, 2, null)]).toEqual([false, true]);
  expect((await listRevisions(db, id)).every(({ name }) => name === null)).toBe(true);
}); // biome-ignore format: a row a revision

  test('each revision lists what changed, also when it joins several saves', async () => {
    const set = await createSet(db, titled('Changes'));
    const page = savingPage(db, set);
    const field = { id: 'pin', kind: 'text', label: 'PIN', entry: {} } as const;
    await page.save({ ...titled('Changes'), fields: [field] } as SetDocument);
    await page.save({ ...titled('Renamed'), fields: [{ ...field, hint: 'x' }] } as SetDocument);
    const other = savingPage(db, (await findSet(db, set.key))!, 'other');
    await other.save(titled('Renamed'));
    const all = await listRevisions(db, set.id);
    expect(all.map(({ revision, changed }) => [revision, changedWords(changed)])).toEqual([
      [4, [{ heading: 'Removed', list: '“PIN”' }]],
      [
        3,
        [
          { heading: 'Added', list: '“PIN”' },
          { heading: 'Changed', list: 'title' },
        ],
      ],
      [1, []],
    ]);
  });

  test('refused versions can be found, and forgotten', async () => {
    const set = await createSet(db, titled('Kept'));
    await savingPage(db, set, 'other').save(titled('theirs'));
    const late = savingPage(db, set);
    await late.save(titled('mine'));
    await late.save(titled('mine again'));
    const found = await listRefused(db, set.id);
    expect(found.map(({ base }) => base)).toEqual([1, 1]);
    expect(await findRefused(db, set.id, found[0]!.kept)).toEqual(titled('mine again'));
    expect(await dropRefused(db, 'another', found[0]!.kept)).toBe(false);
    expect(await dropRefused(db, set.id, found[0]!.kept)).toBe(true);
    expect(await listRefused(db, set.id)).toHaveLength(1);
  });

  test('a store has a generation of its own', async () => {
    const [one] = await db.select().from(stores);
    expect(one?.generation).toMatch(/^g_[0-9a-f]{32}$/);
  });
});

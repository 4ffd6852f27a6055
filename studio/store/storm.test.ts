import { fileURLToPath } from 'node:url';
import { readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { type Answer, createSaver, type SaveState } from '../definition/saver.ts';
import { backupOf, restoreInto } from './backup.ts';
import type { Store } from './database.ts';
import { type PostgresServer, startPostgres } from './postgres.fixture.ts';
import { changesSince, type SentSave, saveSet } from './save-set.ts';
import { pages as savedPages } from './schema.ts';
import { openServer } from './server.ts';
import { createSet, findSet, listSets, renameSet, type StoredSet } from './sets.ts';

/**
 * A storm by a seed: pages that edit, requests that are lost, late or sent twice, sets that are renamed, servers that go and come, a database that crashes, backups
 * that are restored; two servers on one PostgreSQL. Nothing acknowledged is lost, no page shows what is not stored, every document reads.
 * Small in `npm test`, for as long as one likes with ARBEIT_STORMS and ARBEIT_SEED (`npm run hard`).
 */
const storms = Number(process.env.ARBEIT_STORMS ?? 2);
const seed = Number(process.env.ARBEIT_SEED ?? 20_270_210);
const steps = 120;

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const first = {
  arbeit: 1,
  title: 'Storm',
  locale: 'en-GB',
  fields: [1, 2, 3].map((i) => ({ id: `f${i}`, kind: 'text', label: `L${i}`, entry: {} })),
} as unknown as SetDocument;

/** Numbers from 0 to 1, the same for the same seed (mulberry32). */
function randomBy(start: number): () => number {
  let state = start >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

interface Sent {
  readonly save: SentSave;
  readonly resolve: (answer: Answer) => void;
  readonly reject: (why: Error) => void;
}

let postgres: PostgresServer;
beforeAll(async () => {
  postgres = await startPostgres();
});
afterAll(() => postgres.stop());

/** What a route answers, as the page reads it. */
async function answerTo(store: Store, key: string, save: SentSave): Promise<Answer> {
  const result = await store.write((db) => saveSet(db, key, save));
  if (result.outcome === 'saved') return { ok: true, ...result };
  if (result.outcome === 'refused') return { ok: false, theirs: result.theirs, kept: result.kept };
  return { ok: false, why: result.outcome, faults: result.outcome === 'faulty' ? result.faults : [] };
}

function pageOf(name: string, set: StoredSet, net: Sent[], anyStore: () => Store) {
  let shown = set.document;
  let state: SaveState = { is: 'saved' };
  const saver = createSaver(set, {
    page: name,
    pause: 1_000_000,
    send: (save) => new Promise((resolve, reject) => net.push({ save: structuredClone(save), resolve, reject })),
    changesSince: (base, generation) =>
      anyStore()
        .read(async (db) => {
          if (base !== undefined) return changesSince(db, set.key, base, generation);
          const whole = await findSet(db, set.key);
          return whole && { whole };
        })
        .catch(() => undefined),
    tell: (now) => {
      state = now;
    },
    joined: (document) => {
      shown = document;
    },
  });
  return {
    name,
    saver,
    shown: () => shown,
    state: () => state,
    edit(change: (document: SetDocument) => SetDocument) {
      shown = change(shown);
      saver.want(shown);
      void saver.flush();
    },
    choose(isMine: boolean) {
      if (state.is !== 'refused') return;
      const { theirs } = state;
      saver.goOnFrom(theirs);
      if (isMine) saver.want(shown);
      else shown = theirs.document;
    },
  };
} // biome-ignore format: a request on a line

type Loose = { title: string; fields: { id: string; kind: string; label: string; entry: object }[] };
function changed(document: SetDocument, mark: string, random: () => number): SetDocument {
  const next = structuredClone(document) as unknown as Loose;
  const at = Math.floor(random() * next.fields.length);
  const field = next.fields[at];
  const what = random();
  if (!field || what < 0.2) next.title = mark;
  else if (what < 0.6) field.label = mark;
  else if (what < 0.75) next.fields.splice(at, 1);
  else if (what < 0.9) next.fields.splice(at, 0, { id: mark, kind: 'text', label: mark, entry: {} });
  else next.fields.unshift(...next.fields.splice(at, 1));
  return next as unknown as SetDocument;
}

async function storm(number: number): Promise<void> {
  const random = randomBy(seed + number);
  const pick = (many: number): number => Math.floor(random() * many);
  const url = postgres.database(`storm${number}`);
  const stores = [await openServer(url, migrations), await openServer(url, migrations)];
  const anyStore = (): Store => stores[pick(2)]!;
  const set = await anyStore().write((db) => createSet(db, first));
  const net: Sent[] = [];
  const all = ['a', 'b', 'c'].map((name) => pageOf(name, set, net, anyStore));
  /** The last save of each page that was acknowledged since the store was last put back. */
  let acknowledged = new Map<string, number>();
  let edits = 0;
  const deliver = async ({ save, resolve, reject }: Sent): Promise<void> => {
    await answerTo(anyStore(), set.key, save).then((answer) => {
      if (answer.ok) acknowledged.set(save.page, Math.max(save.counter, acknowledged.get(save.page) ?? 0));
      resolve(answer);
    }, reject);
  };
  const once: readonly (readonly [weight: number, does: () => unknown])[] = [
    [30, () => all[pick(3)]!.edit((document) => changed(document, `e${number}x${edits++}`, random))],
    [40, () => take((sent) => deliver(sent))],
    [6, () => take((sent) => sent.reject(new Error('lost')))],
    [6, () => take((sent) => { sent.reject(new Error('late')); net.push(sent); })],
    [6, () => take((sent) => { net.push(sent); return deliver(sent); })],
    [10, () => all[pick(3)]!.saver.retry()],
    [8, () => void all[pick(3)]!.saver.catchUp()],
    [6, () => all[pick(3)]!.choose(random() < 0.5)],
    [4, () => anyStore().write((db) => renameSet(db, set.key, `name-${pick(5)}`))],
    [2, async () => { const i = pick(2); await stores[i]!.close(); stores[i] = await openServer(url, migrations); }],
    [1, () => postgres.crash()],
    [1, async () => {
      let text = '';
      for await (const line of backupOf(anyStore().db, new Date())) text += line;
      await take((sent) => deliver(sent));
      await anyStore().write((db) => restoreInto(db, text, { replaces: true }));
      acknowledged = new Map();
    }],
  ]; // biome-ignore format: what may happen, a line each
  const take = async (use: (sent: Sent) => unknown): Promise<void> => {
    const [sent] = net.splice(pick(Math.max(1, net.length)), 1);
    if (sent) await use(sent);
  };
  const weight = once.reduce((sum, [one]) => sum + one, 0);
  for (let step = 0; step < steps; step++) {
    let left = random() * weight;
    for (const [one, does] of once) {
      left -= one;
      if (left >= 0) continue;
      await does();
      break;
    }
    await new Promise((done) => setImmediate(done));
  }
  // From now on everything arrives.
  for (let round = 0; round < 50; round++) {
    for (const page of all) page.choose(true);
    await new Promise((done) => setImmediate(done));
    for (const page of all) page.saver.retry();
    let isUp = false;
    let delivered = 0;
    void Promise.all(all.map(({ saver }) => saver.catchUp())).then(() => {
      isUp = true;
    });
    while (!isUp) {
      for (const sent of net.splice(0)) {
        delivered++;
        await deliver(sent);
      }
      await new Promise((done) => setImmediate(done));
    }
    const isQuiet = all.every(({ saver, state }) => !saver.isUnsaved() && state().is === 'saved');
    // A round in which nobody saved: each has heard of all.
    if (isQuiet && delivered === 0) break;
  }
  const found = (await stores[0]!.read((db) => findSet(db, set.key)))!;
  for (const { name, shown, state } of all)
    expect([name, state().is, JSON.stringify(shown())]).toEqual([
      name,
      'saved',
      JSON.stringify(found.document),
    ]);
  for (const [page, counter] of acknowledged) {
    const ofPage = and(eq(savedPages.setKey, set.key), eq(savedPages.page, page));
    const [known] = await stores[1]!.read((db) => db.select().from(savedPages).where(ofPage));
    expect(known?.counter).toBeGreaterThanOrEqual(counter);
  }
  for (const { key } of await stores[1]!.read(listSets)) {
    const one = (await stores[1]!.read((db) => findSet(db, key)))!;
    expect(readDocument(one.document, kinds).ok).toBe(true);
  }
  await Promise.all(stores.map((store) => store.close()));
}

test.each(Array.from({ length: storms }, (_, i) => i))(`a storm of ${steps} steps, seed ${seed} + %i`, storm);

import type { SetDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { and, asc, desc, eq, gt, isNull, lte, sql } from 'drizzle-orm';
import * as words from '../words/store/save-set.ts';
import { changedBy } from './changed.ts';
import type { Database } from './database.ts';
import { documentsOf, type SoundSet, sound } from './documents.ts';
import { channel, payloadOf } from './followers.ts';
import { carriedOut, type Json, type Operation } from './operations.ts';
import { readOnServer } from './read-on-server.ts';
import { keepRefused } from './refusing.ts';
import { addRevision } from './revisions.ts';
import { decide, digest, digestOf, type Logged, propose, type Refusal, type Save } from './saving.ts';
import { pages, revisions, saves, sets } from './schema.ts';
import { factsOf, generationOf, keyOf, type StoredSet } from './sets.ts';

/** The result of a save. */
export type SaveResult =
  /**
   * Stored. `theirs`: what others saved since the revision it was made on. `digest`: of the stored document.
   */
  | {
      readonly outcome: 'saved';
      readonly revision: number;
      readonly theirs: readonly Operation[];
      readonly digest: string;
    }
  | { readonly outcome: 'missing' }
  /** The resulting document is invalid. */
  | { readonly outcome: 'faulty'; readonly faults: readonly DocumentFault[] }
  /**
   * Not stored. `theirs` is the set as it is; what was sent is kept under the number `kept`, if its document
   * could be built.
   */
  | {
      readonly outcome: 'refused';
      readonly because: Exclude<Refusal, 'faults'> | 'generation';
      readonly theirs: StoredSet;
      readonly kept: number | null;
    };

/** A save as it is sent, with the generation of the store it was made in. */
export interface SentSave extends Save {
  readonly generation: string;
}

/** Largest document, in characters of JSON: the same as for a new one. */
const mostCharacters = 4_000_000;

/** Size of the log of a set, in saves and in characters of operations. */
const mostSaves = 2000;
const mostLogged = 8_000_000;

/**
 * Saves operations on a set. The decision depends only on the sender, the number of the save and its base
 * revision, not on a clock or the order of arrival.
 */
export async function saveSet(db: Database, address: string, save: SentSave): Promise<SaveResult> {
  const documents = documentsOf(db);
  let stored: Stored | undefined;
  const result = await db.transaction(async (tx): Promise<SaveResult> => {
    const key = await keyOf(tx, address);
    const isThere = and(eq(sets.key, key ?? ''), isNull(sets.deletedAt));
    const [held] = await tx.select({ key: sets.key }).from(sets).where(isThere).for('update');
    const present = held && (await documents.find(tx, held.key));
    if (!present) return { outcome: 'missing' };
    return saveOn(tx, present, save, (one) => {
      stored = one;
    });
  });
  // Only what was stored in the end may be cached.
  if (stored) documents.keep(stored.at, stored.document, stored.size);
  return result;
}

/** A document that a save has made. */
interface Stored {
  readonly at: { readonly key: string; readonly generation: string; readonly revision: number };
  readonly document: SetDocument;
  readonly size: number;
}

/** Saves operations on a set that is locked for everybody else. */
async function saveOn(
  db: Database,
  { faults: _, ...present }: SoundSet,
  save: SentSave,
  made: (stored: Stored) => void,
): Promise<SaveResult> {
  const { key, revision, generation } = present;
  const refusal = async (because: Exclude<Refusal, 'faults'> | 'generation'): Promise<SaveResult> => {
    const mine = because === 'conflict' ? await documentOf(db, present, save) : undefined;
    const one = mine && { key, base: save.base, digest: digestOf(save), document: mine };
    return { outcome: 'refused', because, theirs: present, kept: one ? await keepRefused(db, one) : null };
  };
  if (generation !== save.generation) return refusal('generation');
  const ofPage = and(eq(pages.setKey, key), eq(pages.page, save.page));
  const [last] = await db.select().from(pages).where(ofPage);
  const since = await savedSince(db, key, save.base, revision);
  const proposed = propose({ document: present.document, last, since }, save);
  const decision =
    proposed.is === 'proposed' ? decide(proposed, await readOnServer(proposed.document)) : proposed;
  if (decision.is === 'refused')
    return decision.because === 'faults'
      ? { outcome: 'faulty', faults: decision.faults ?? [] }
      : refusal(decision.because);
  if (!since) return refusal('base');
  const others = since.filter(({ page }) => page !== save.page);
  const theirs = others.flatMap(({ operations }) => operations);
  const text = JSON.stringify(decision.is === 'taken' ? decision.document : present.document);
  if (decision.is === 'taken' && text.length > mostCharacters) {
    const message = words.theSetIsTooLarge((text.length / 1e6).toFixed(1), mostCharacters / 1e6);
    return { outcome: 'faulty', faults: [{ path: '$', code: 'set-too-large', message }] };
  }
  const changes = decision.is === 'taken' && save.operations.length > 0 ? 1 : 0;
  if (decision.is === 'taken') {
    const at = { key, generation, revision: revision + changes };
    if (changes) {
      await store(db, at, decision.document, text, save);
      made({ at, document: decision.document, size: text.length });
    }
    const known = { counter: save.counter, digest: digestOf(save) };
    await db
      .insert(pages)
      .values({ setKey: key, page: save.page, ...known })
      .onConflictDoUpdate({ target: [pages.setKey, pages.page], set: known });
  }
  return { outcome: 'saved', revision: revision + changes, theirs, digest: digest(text) };
}

/**
 * What was saved after a revision; `undefined` if the log does not go back so far, or there is no such
 * revision.
 */
async function savedSince(
  db: Database,
  key: string,
  base: number,
  present: number,
): Promise<readonly Logged[] | undefined> {
  if (base > present) return undefined;
  const columns = { revision: saves.revision, page: saves.page, operations: saves.operations };
  const found = await db
    .select(columns)
    .from(saves)
    .where(and(eq(saves.setKey, key), gt(saves.revision, base)))
    .orderBy(asc(saves.revision));
  return found.length === present - base ? found : undefined;
}

/**
 * What a page needs to update its set: the changes of others after a revision, or the whole set if the log
 * does not go back so far or the page knows another store.
 */
export async function changesSince(
  db: Database,
  address: string,
  base: number,
  generation: string,
): Promise<
  | { readonly revision: number; readonly theirs: readonly Operation[]; readonly digest: string }
  | { readonly whole: StoredSet }
  | undefined
> {
  const key = await keyOf(db, address);
  if (key === undefined) return undefined;
  return db.transaction(async (tx) => {
    const columns = { revision: sets.revision };
    const [present] = await tx.select(columns).from(sets).where(eq(sets.key, key)).for('share');
    if (!present) return undefined;
    const { revision } = present;
    const isOwn = (await generationOf(tx)) === generation;
    // Usually nothing has changed, so the document is not read.
    if (isOwn && revision === base) return { revision, theirs: [], digest: '' };
    const since = isOwn ? await savedSince(tx, key, base, revision) : undefined;
    const found = await documentsOf(db).find(tx, key);
    if (!found) return undefined;
    const { faults: _, ...whole } = found;
    if (!since) return { whole };
    const { document } = whole;
    const theirs = since.flatMap(({ operations }) => operations);
    return { revision, theirs, digest: digest(JSON.stringify(document)) };
  });
}

async function store(
  db: Database,
  at: { readonly key: string; readonly generation: string; readonly revision: number },
  document: SetDocument,
  text: string,
  { page, operations }: Save,
): Promise<void> {
  const { key, revision } = at;
  await addRevision(db, { key, revision, page, changed: changedBy(operations, document) });
  const changed = { revision, ...factsOf(document), changedAt: sql`now()` };
  await db
    .update(sets)
    .set({ ...changed, document: sql`${text}::json` })
    .where(eq(sets.key, key));
  const size = JSON.stringify(operations).length;
  // PostgreSQL delivers it after the commit, and never after a rollback.
  await db.execute(sql`select pg_notify(${channel}, ${payloadOf(key, at)})`);
  await db.insert(saves).values({ setKey: key, revision, page, operations, size });
  // Doing this occasionally is enough.
  if (revision % 50 === 0 || size > mostLogged / 50) await shorten(db, key);
}

/** Deletes old entries of the log. The last save always stays. */
async function shorten(db: Database, key: string): Promise<void> {
  const far = sql`(
    select max(revision) from (
      select revision, sum(size) over (order by revision desc) as so_far, row_number() over (order by revision desc) as place
      from ${saves} where ${saves.setKey} = ${key}
    ) as counted where place > 1 and (so_far > ${mostLogged} or place > ${mostSaves})
  )`;
  await db.delete(saves).where(and(eq(saves.setKey, key), lte(saves.revision, far)));
}

/** The document of a refused save, for its sender; `undefined` if its base can no longer be built. */
async function documentOf(db: Database, { key, document }: StoredSet, save: Save): Promise<SetDocument | undefined> {
  const upTo = and(eq(revisions.setKey, key), lte(revisions.revision, save.base));
  const [from] = await db
    .select({ revision: revisions.revision, document: revisions.document })
    .from(revisions)
    .where(upTo)
    .orderBy(desc(revisions.revision))
    .limit(1);
  if (!from) return undefined;
  const between = and(eq(saves.setKey, key), gt(saves.revision, from.revision), lte(saves.revision, save.base));
  const steps = await db.select({ operations: saves.operations }).from(saves).where(between).orderBy(asc(saves.revision));
  if (steps.length !== save.base - from.revision) return undefined;
  const operations = [...steps.flatMap((step) => step.operations), ...save.operations];
  return carriedOut(sound(from.document ?? document) as unknown as Json, operations) as SetDocument | undefined;
} // biome-ignore format: a question a line

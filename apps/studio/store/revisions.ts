import { migrated, type SetDocument } from '@arbeit/engine/document';
import { and, desc, eq, isNull, lt, sql } from 'drizzle-orm';
import { type Changed, mergeChanged } from './changed.ts';
import type { Database } from './database.ts';
import { revisions, sets } from './schema.ts';
import { keyOf } from './sets.ts';

/** Period in which saves of one page are a single revision, in milliseconds. */
const oneRevision = 5 * 60_000;

/** Unnamed revisions kept per set; the oldest are dropped and counted. */
const mostRevisions = 500;

/** A revision of a set, without its document. */
export interface Revision {
  readonly revision: number;
  /** Its name; `null` if it has none. */
  readonly name: string | null;
  /** ISO 8601, UTC. */
  readonly savedAt: string;
  /** What changed since the revision before it. */
  readonly changed: Changed;
}

/** The revisions of a set, the latest first. */
export async function listRevisions(db: Database, address: string): Promise<Revision[]> {
  const key = await keyOf(db, address);
  if (key === undefined) return [];
  const { revision, name, savedAt, changed } = revisions;
  const columns = { revision, name, savedAt, changed };
  const found = await db
    .select(columns)
    .from(revisions)
    .where(eq(revisions.setKey, key))
    .orderBy(desc(revisions.revision));
  return found.map(({ savedAt, ...one }) => ({ ...one, savedAt: savedAt.toISOString() }));
}

/** How many revisions and refused saves of a set were dropped because there were too many. */
export async function droppedOf(
  db: Database,
  address: string,
): Promise<{ readonly revisions: number; readonly refused: number }> {
  const key = (await keyOf(db, address)) ?? '';
  const columns = { revisions: sets.droppedRevisions, refused: sets.droppedRefused };
  const [found] = await db.select(columns).from(sets).where(eq(sets.key, key));
  return found ?? { revisions: 0, refused: 0 };
}

const thatRevision = (key: string, revision: number) =>
  and(eq(revisions.setKey, key), eq(revisions.revision, revision));

/**
 * A set as it was at a revision; `undefined` if there is no revision with that number, or later saves became
 * part of it.
 */
export async function findRevision(
  db: Database,
  address: string,
  revision: number,
): Promise<SetDocument | undefined> {
  const key = await keyOf(db, address);
  if (key === undefined) return undefined;
  const [found] = await db
    .select({ document: revisions.document, present: sets.document })
    .from(revisions)
    .innerJoin(sets, eq(sets.key, revisions.setKey))
    .where(thatRevision(key, revision));
  return found && (migrated(found.document ?? found.present) as SetDocument);
}

/** Names a revision, or removes its name. Returns whether there is one with that number. */
export async function nameRevision(
  db: Database,
  address: string,
  revision: number,
  name: string | null,
): Promise<boolean> {
  const key = await keyOf(db, address);
  if (key === undefined) return false;
  const named = await db
    .update(revisions)
    .set({ name })
    .where(thatRevision(key, revision))
    .returning({ revision: revisions.revision });
  return named.length > 0;
}

interface NewRevision {
  readonly key: string;
  readonly revision: number;
  readonly page: string;
  readonly changed: Changed;
}

/**
 * Adds a revision, before its document becomes that of the set. It replaces the previous one if that belongs
 * to the same page and was begun a few minutes ago; otherwise the previous one keeps the former document of
 * the set.
 */
export async function addRevision(
  db: Database,
  { key, revision, page, changed }: NewRevision,
): Promise<void> {
  const { revision: number, savedBy, begunAt, name, changed: before } = revisions;
  const [last] = await db
    .select({ revision: number, savedBy, begunAt, name, changed: before })
    .from(revisions)
    .where(eq(revisions.setKey, key))
    .orderBy(desc(number))
    .limit(1);
  const age = last ? Date.now() - last.begunAt.getTime() : 0;
  // If the clock was set back, the age is negative and unknown: a new revision is begun.
  const joins = last?.name === null && last.savedBy === page && age >= 0 && age < oneRevision;
  if (joins) {
    await db
      .update(revisions)
      .set({ revision, savedAt: new Date(), document: null, changed: mergeChanged(last.changed, changed) })
      .where(thatRevision(key, last.revision));
    return;
  }
  const present = sql`(select ${sets.document} from ${sets} where ${sets.key} = ${key})`;
  if (last) await db.update(revisions).set({ document: present }).where(thatRevision(key, last.revision));
  await db.insert(revisions).values({ setKey: key, revision, savedBy: page, changed });
  await dropOldest(db, key);
}

async function dropOldest(db: Database, key: string): Promise<void> {
  const unnamed = and(eq(revisions.setKey, key), isNull(revisions.name));
  const [oldest] = await db
    .select({ revision: revisions.revision })
    .from(revisions)
    .where(unnamed)
    .orderBy(desc(revisions.revision))
    .offset(mostRevisions - 1)
    .limit(1);
  if (!oldest) return;
  const gone = await db
    .delete(revisions)
    .where(and(unnamed, lt(revisions.revision, oldest.revision)))
    .returning({ revision: revisions.revision });
  if (gone.length === 0) return;
  const dropped = sql`${sets.droppedRevisions} + ${gone.length}`;
  await db.update(sets).set({ droppedRevisions: dropped }).where(eq(sets.key, key));
}

import { migrated, type SetDocument } from '@arbeit/engine/document';
import { and, desc, eq, lt, sql } from 'drizzle-orm';
import type { Database } from './database.ts';
import { refused, sets } from './schema.ts';
import { keyOf } from './sets.ts';

/** Refused saves kept per set; the oldest are dropped and counted. */
const mostRefused = 50;

/** A refused save, without its document. */
export interface Refused {
  readonly kept: number;
  readonly base: number;
  /** ISO 8601, UTC. */
  readonly savedAt: string;
}

/** Keeps a refused save, once however often it is sent. Returns its number. */
export async function keepRefused(
  db: Database,
  one: {
    readonly key: string;
    readonly base: number;
    readonly digest: string;
    readonly document: SetDocument;
  },
): Promise<number> {
  const { key, base, digest, document } = one;
  const values = { setKey: key, baseRevision: base, digest, document };
  const [kept] = await db
    .insert(refused)
    .values(values)
    .onConflictDoUpdate({ target: [refused.setKey, refused.digest], set: { digest } })
    .returning({ id: refused.id });
  const ofSet = eq(refused.setKey, key);
  const [oldest] = await db
    .select({ id: refused.id })
    .from(refused)
    .where(ofSet)
    .orderBy(desc(refused.id))
    .offset(mostRefused - 1)
    .limit(1);
  const gone = oldest
    ? await db
        .delete(refused)
        .where(and(ofSet, lt(refused.id, oldest.id)))
        .returning({ id: refused.id })
    : [];
  const dropped = sql`${sets.droppedRefused} + ${gone.length}`;
  if (gone.length > 0) await db.update(sets).set({ droppedRefused: dropped }).where(eq(sets.key, key));
  return kept!.id;
}

/** The refused saves of a set that nobody has decided on, the newest first. */
export async function listRefused(db: Database, address: string): Promise<Refused[]> {
  const key = await keyOf(db, address);
  if (key === undefined) return [];
  const columns = { kept: refused.id, base: refused.baseRevision, savedAt: refused.savedAt };
  const found = await db
    .select(columns)
    .from(refused)
    .where(eq(refused.setKey, key))
    .orderBy(desc(refused.id));
  return found.map(({ kept, base, savedAt }) => ({ kept, base, savedAt: savedAt.toISOString() }));
}

/** A refused save, as it was sent. */
export async function findRefused(
  db: Database,
  address: string,
  kept: number,
): Promise<SetDocument | undefined> {
  const key = await keyOf(db, address);
  if (key === undefined) return undefined;
  const [found] = await db
    .select({ document: refused.document })
    .from(refused)
    .where(and(eq(refused.setKey, key), eq(refused.id, kept)));
  return found && (migrated(found.document) as SetDocument);
}

/** Deletes a refused save after a decision. Returns whether there was one. */
export async function dropRefused(db: Database, address: string, kept: number): Promise<boolean> {
  const key = await keyOf(db, address);
  if (key === undefined) return false;
  const gone = await db
    .delete(refused)
    .where(and(eq(refused.setKey, key), eq(refused.id, kept)))
    .returning({ id: refused.id });
  return gone.length > 0;
}

import type { SetDocument } from '@arbeit/engine/document';
import { and, asc, desc, eq, gt, isNotNull, isNull } from 'drizzle-orm';
import type { Database } from './database.ts';
import { refused, revisions, sets } from './schema.ts';

/** A set as stored: its document at the latest revision. */
export interface StoredSet {
  readonly id: string;
  readonly revision: number;
  readonly document: SetDocument;
}

export type SaveResult =
  | { readonly outcome: 'saved'; readonly revision: number }
  | { readonly outcome: 'missing' }
  /** Somebody saved in between. Theirs is the latest; the one that came too late is kept under `kept`. */
  | { readonly outcome: 'refused'; readonly theirs: StoredSet; readonly kept: number };

/** The set of that id, unless it was taken off the shelf. */
const there = (id: string) => and(eq(sets.id, id), isNull(sets.deletedAt));

/** All sets, the one changed last first. */
export async function listSets(db: Database): Promise<StoredSet[]> {
  const columns = { id: sets.id, revision: sets.revision, document: sets.document };
  return db
    .select(columns)
    .from(sets)
    .where(isNull(sets.deletedAt))
    .orderBy(desc(sets.changedAt), asc(sets.id));
}

export async function findSet(db: Database, id: string): Promise<StoredSet | undefined> {
  const columns = { id: sets.id, revision: sets.revision, document: sets.document };
  const [found] = await db.select(columns).from(sets).where(there(id));
  return found;
}

/** Stores a new set under `id`, or under one made from its title with a number where that is taken. */
export async function createSet(db: Database, document: SetDocument, id?: string): Promise<StoredSet> {
  return db.transaction(async (tx) => {
    const stem = id ?? slug(document.title);
    let free = stem;
    for (let n = 2; (await tx.select({ id: sets.id }).from(sets).where(eq(sets.id, free))).length > 0; n++)
      free = `${stem}-${n}`;
    await tx.insert(sets).values({ id: free, revision: 1, document });
    await tx.insert(revisions).values({ setId: free, revision: 1, document });
    return { id: free, revision: 1, document };
  });
}

const slug = (title: string): string =>
  title
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'set';

/** Documents are stored as they were sent, members in their order. */
const isSame = (a: SetDocument, b: SetDocument): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Saves of one page within so many milliseconds are one revision. */
const oneRevision = 5 * 60_000;

/**
 * Saves a document that was made on revision `base` by the page `from` (any text; '' for nobody in particular). On an
 * older base nothing is overwritten and both are kept, unless everything since is that very page's own: an answer it never
 * got, because it was reloaded, is no conflict.
 */
export async function saveSet(
  db: Database,
  id: string,
  base: number,
  document: SetDocument,
  from = '',
): Promise<SaveResult> {
  return db.transaction(async (tx) => {
    const [present] = await tx.select().from(sets).where(there(id)).for('update');
    if (!present) return { outcome: 'missing' };
    // A save that changes nothing is no conflict: a page that goes away may send the same twice, and the second late.
    if (isSame(present.document, document)) return { outcome: 'saved', revision: present.revision };
    const columns = {
      revision: revisions.revision,
      savedBy: revisions.savedBy,
      begunAt: revisions.begunAt,
      name: revisions.name,
    };
    if (present.revision !== base) {
      const since = await tx
        .select(columns)
        .from(revisions)
        .where(and(eq(revisions.setId, id), gt(revisions.revision, base)));
      // Made on what stood before a revision of this very page that holds just this: that save, sent a second time.
      const again = and(eq(revisions.setId, id), eq(revisions.savedBy, from), gt(revisions.revision, base));
      const own = from ? await tx.select({ document: revisions.document }).from(revisions).where(again) : [];
      if (own.some((one) => isSame(one.document, document)))
        return { outcome: 'saved', revision: present.revision };
      const isOwn = from !== '' && base < present.revision && since.length > 0;
      if (!isOwn || since.some(({ savedBy }) => savedBy !== from)) {
        const values = { setId: id, baseRevision: base, document };
        const [kept] = await tx.insert(refused).values(values).returning({ id: refused.id });
        const theirs = { id, revision: present.revision, document: present.document };
        return { outcome: 'refused', theirs, kept: kept!.id };
      }
    }
    const revision = present.revision + 1;
    await tx.update(sets).set({ revision, document, changedAt: new Date() }).where(eq(sets.id, id));
    const ofSet = eq(revisions.setId, id);
    const [last] = await tx
      .select(columns)
      .from(revisions)
      .where(ofSet)
      .orderBy(desc(revisions.revision))
      .limit(1);
    const joins =
      last !== undefined &&
      last.name === null &&
      from !== '' &&
      last.savedBy === from &&
      Date.now() - last.begunAt.getTime() < oneRevision;
    if (joins) await tx.delete(revisions).where(and(ofSet, eq(revisions.revision, last.revision)));
    const begunAt = joins ? last.begunAt : new Date();
    await tx.insert(revisions).values({ setId: id, revision, document, savedBy: from, begunAt });
    return { outcome: 'saved', revision };
  });
}

/** A revision of a set, without its document. */
export interface Revision {
  readonly revision: number;
  /** What somebody called it; `null` while nobody has. */
  readonly name: string | null;
  /** ISO 8601, UTC. */
  readonly savedAt: string;
}

/** The revisions of a set, the latest first. */
export async function listRevisions(db: Database, setId: string): Promise<Revision[]> {
  const columns = { revision: revisions.revision, name: revisions.name, savedAt: revisions.savedAt };
  const found = await db
    .select(columns)
    .from(revisions)
    .where(eq(revisions.setId, setId))
    .orderBy(desc(revisions.revision));
  return found.map(({ savedAt, ...one }) => ({ ...one, savedAt: savedAt.toISOString() }));
}

const thatRevision = (setId: string, revision: number) =>
  and(eq(revisions.setId, setId), eq(revisions.revision, revision));

/** A set as it was at a revision; `undefined` where it has none of that number, or has gone on within it. */
export async function findRevision(
  db: Database,
  setId: string,
  revision: number,
): Promise<SetDocument | undefined> {
  const [found] = await db
    .select({ document: revisions.document })
    .from(revisions)
    .where(thatRevision(setId, revision));
  return found?.document;
}

/** Names a revision, or takes its name away; whether there is one of that number. */
export async function nameRevision(
  db: Database,
  setId: string,
  revision: number,
  name: string | null,
): Promise<boolean> {
  const named = await db
    .update(revisions)
    .set({ name })
    .where(thatRevision(setId, revision))
    .returning({ revision: revisions.revision });
  return named.length > 0;
}

/** A save that was refused, without its document. */
export interface Refused {
  readonly kept: number;
  readonly base: number;
  /** ISO 8601, UTC. */
  readonly savedAt: string;
}

/** The saves of a set that were refused and that nobody has dealt with, the newest first. */
export async function listRefused(db: Database, setId: string): Promise<Refused[]> {
  const columns = { kept: refused.id, base: refused.baseRevision, savedAt: refused.savedAt };
  const found = await db
    .select(columns)
    .from(refused)
    .where(eq(refused.setId, setId))
    .orderBy(desc(refused.id));
  return found.map(({ kept, base, savedAt }) => ({ kept, base, savedAt: savedAt.toISOString() }));
}

/** A save that was refused, as it was sent. */
export async function findRefused(
  db: Database,
  setId: string,
  kept: number,
): Promise<SetDocument | undefined> {
  const [found] = await db
    .select({ document: refused.document })
    .from(refused)
    .where(and(eq(refused.setId, setId), eq(refused.id, kept)));
  return found?.document;
}

/** Forgets a refused save somebody has dealt with; whether there was one. */
export async function dropRefused(db: Database, setId: string, kept: number): Promise<boolean> {
  const gone = await db
    .delete(refused)
    .where(and(eq(refused.setId, setId), eq(refused.id, kept)))
    .returning({ id: refused.id });
  return gone.length > 0;
}

/** Takes a set off the shelf; it can be put back. Whether there was one. */
export async function deleteSet(db: Database, id: string): Promise<boolean> {
  const gone = await db
    .update(sets)
    .set({ deletedAt: new Date() })
    .where(there(id))
    .returning({ id: sets.id });
  return gone.length > 0;
}

/** Puts a set back that was taken off the shelf, as it was; whether there was one. */
export async function restoreSet(db: Database, id: string): Promise<boolean> {
  const wasTaken = and(eq(sets.id, id), isNotNull(sets.deletedAt));
  const back = await db.update(sets).set({ deletedAt: null }).where(wasTaken).returning({ id: sets.id });
  return back.length > 0;
}

/** Gives a set another id, and all that belongs to it with it; `taken` where another set has that one, off the shelf or on it. */
export async function renameSet(
  db: Database,
  id: string,
  to: string,
): Promise<'renamed' | 'missing' | 'taken'> {
  return db.transaction(async (tx) => {
    const [present] = await tx.select({ id: sets.id }).from(sets).where(there(id)).for('update');
    if (!present) return 'missing';
    const [other] = await tx.select({ id: sets.id }).from(sets).where(eq(sets.id, to));
    if (other) return 'taken';
    await tx.update(sets).set({ id: to }).where(eq(sets.id, id));
    await tx.update(revisions).set({ setId: to }).where(eq(revisions.setId, id));
    await tx.update(refused).set({ setId: to }).where(eq(refused.setId, id));
    return 'renamed';
  });
}

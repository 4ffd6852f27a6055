import type { SetDocument } from '@arbeit/engine/document';
import { and, asc, desc, eq, gt } from 'drizzle-orm';
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

/** All sets, the one changed last first. */
export async function listSets(db: Database): Promise<StoredSet[]> {
  const columns = { id: sets.id, revision: sets.revision, document: sets.document };
  return db.select(columns).from(sets).orderBy(desc(sets.changedAt), asc(sets.id));
}

export async function findSet(db: Database, id: string): Promise<StoredSet | undefined> {
  const columns = { id: sets.id, revision: sets.revision, document: sets.document };
  const [found] = await db.select(columns).from(sets).where(eq(sets.id, id));
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
    const [present] = await tx.select().from(sets).where(eq(sets.id, id)).for('update');
    if (!present) return { outcome: 'missing' };
    const columns = { revision: revisions.revision, savedBy: revisions.savedBy, begunAt: revisions.begunAt };
    if (present.revision !== base) {
      const since = await tx
        .select(columns)
        .from(revisions)
        .where(and(eq(revisions.setId, id), gt(revisions.revision, base)));
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
      from !== '' &&
      last.savedBy === from &&
      Date.now() - last.begunAt.getTime() < oneRevision;
    if (joins) await tx.delete(revisions).where(and(ofSet, eq(revisions.revision, last.revision)));
    const begunAt = joins ? last.begunAt : new Date();
    await tx.insert(revisions).values({ setId: id, revision, document, savedBy: from, begunAt });
    return { outcome: 'saved', revision };
  });
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

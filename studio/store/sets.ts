import { and, asc, eq } from 'drizzle-orm';
import type { SetDocument } from '../../engine/compile/document.ts';
import { refused, revisions, sets } from './schema.ts';
import type { Database } from './store.ts';

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

export async function listSets(db: Database): Promise<StoredSet[]> {
  const columns = { id: sets.id, revision: sets.revision, document: sets.document };
  return db.select(columns).from(sets).orderBy(asc(sets.id));
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

/** Saves a document that was made on revision `base`. On an older base nothing is overwritten and both are kept. */
export async function saveSet(
  db: Database,
  id: string,
  base: number,
  document: SetDocument,
): Promise<SaveResult> {
  return db.transaction(async (tx) => {
    const [present] = await tx.select().from(sets).where(eq(sets.id, id)).for('update');
    if (!present) return { outcome: 'missing' };
    if (present.revision !== base) {
      const values = { setId: id, baseRevision: base, document };
      const [kept] = await tx.insert(refused).values(values).returning({ id: refused.id });
      const theirs = { id, revision: present.revision, document: present.document };
      return { outcome: 'refused', theirs, kept: kept!.id };
    }
    const revision = base + 1;
    await tx
      .update(sets)
      .set({ revision, document, changedAt: new Date() })
      .where(and(eq(sets.id, id), eq(sets.revision, base)));
    await tx.insert(revisions).values({ setId: id, revision, document });
    return { outcome: 'saved', revision };
  });
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

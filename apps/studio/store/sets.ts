import { migrated, type SetDocument } from '@arbeit/engine/document';
import { slug } from '@arbeit/handoff';
import { and, asc, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Database } from './database.ts';
import { formerIds, revisions, sets, stores } from './schema.ts';

/** A set as stored: its document at the latest revision. */
export interface StoredSet {
  /** It never changes. */
  readonly key: string;
  /** The name in the addresses of its pages; it may change. */
  readonly id: string;
  /** The generation of its store; a restored backup is another one. */
  readonly generation: string;
  readonly revision: number;
  readonly document: SetDocument;
}

/** A set as the shelf lists it. */
export interface ListedSet {
  readonly key: string;
  readonly id: string;
  readonly title: string;
  /** Number of its fields. */
  readonly fields: number;
}

/** Whether an address is the key of a set, which no id can be. */
const isKey = (address: string): boolean => /^s_[0-9a-f]{32}$/.test(address);

/**
 * The key of the set with an address (its key, its id, or a former id); `undefined` if there is none on the
 * shelf.
 */
export async function keyOf(db: Database, address: string): Promise<string | undefined> {
  const present = and(isKey(address) ? eq(sets.key, address) : eq(sets.id, address), isNull(sets.deletedAt));
  const [found] = await db.select({ key: sets.key }).from(sets).where(present);
  if (found || isKey(address)) return found?.key;
  const [former] = await db
    .select({ key: sets.key })
    .from(formerIds)
    .innerJoin(sets, eq(sets.key, formerIds.setKey))
    .where(and(eq(formerIds.id, address), isNull(sets.deletedAt)));
  return former?.key;
}

/** The generation of this store, which distinguishes it from every other. */
export async function generationOf(db: Database): Promise<string> {
  const [one] = await db.select({ generation: stores.generation }).from(stores);
  return one!.generation;
}

const listed = { key: sets.key, id: sets.id, title: sets.title, fields: sets.fields };

/** All sets, the last changed first, without their documents. */
export async function listSets(db: Database): Promise<ListedSet[]> {
  return db
    .select(listed)
    .from(sets)
    .where(isNull(sets.deletedAt))
    .orderBy(desc(sets.changedAt), asc(sets.id));
}

/**
 * Up to `most` sets whose title contains `title`, ignoring case, the last changed first, beginning with
 * number `from`. `count`: all that match.
 */
export async function findSets(
  db: Database,
  { title = '', from = 0, most }: { readonly title?: string; readonly from?: number; readonly most: number },
): Promise<{ readonly sets: readonly ListedSet[]; readonly count: number }> {
  if (!title) {
    const isThere = isNull(sets.deletedAt);
    const order = [desc(sets.changedAt), asc(sets.id)];
    const found = db
      .select(listed)
      .from(sets)
      .where(isThere)
      .orderBy(...order)
      .limit(most)
      .offset(from);
    return { sets: await found, count: await db.$count(sets, isThere) };
  }
  // In SQL, the case of letters such as “Ü” would depend on the locale of the database.
  const wanted = title.toLowerCase();
  const all = (await listSets(db)).filter((set) => set.title.toLowerCase().includes(wanted));
  return { sets: all.slice(from, from + most), count: all.length };
}

/** What the palette lists of a set: its fields and forms by name. */
export interface IndexedSet {
  readonly key: string;
  readonly id: string;
  readonly title: string;
  readonly fields: readonly { readonly id: string; readonly label: string; readonly kind: string }[];
  readonly forms: readonly { readonly id: string; readonly title: string }[];
}

/** Up to `most` sets with the names of their fields and forms, the last changed first. */
export async function indexSets(db: Database, most: number): Promise<IndexedSet[]> {
  const found = await db
    .select({ key: sets.key, id: sets.id, document: sets.document })
    .from(sets)
    .where(isNull(sets.deletedAt))
    .orderBy(desc(sets.changedAt), asc(sets.id))
    .limit(most);
  return found.map(({ key, id, document }) => {
    const { title, fields, forms = [] } = document as SetDocument;
    return {
      key,
      id,
      title,
      fields: fields.map((field) => ({ id: field.id, label: field.label || field.id, kind: field.kind })),
      forms: forms.map((form) => ({ id: form.id, title: form.title || form.id })),
    };
  });
}

/** The set with an address: its key, its id, or a former id. */
export async function findSet(db: Database, address: string): Promise<StoredSet | undefined> {
  const key = await keyOf(db, address);
  if (key === undefined) return undefined;
  const [found] = await db
    .select({ key: sets.key, id: sets.id, revision: sets.revision, document: sets.document })
    .from(sets)
    .where(eq(sets.key, key));
  return (
    found && {
      ...found,
      document: migrated(found.document) as SetDocument,
      generation: await generationOf(db),
    }
  );
}

/** The current revisions of the sets `keys`. Deleted and unknown sets are left out. */
export async function revisionsOf(
  db: Database,
  keys: readonly string[],
): Promise<Pick<StoredSet, 'key' | 'generation' | 'revision'>[]> {
  const columns = { key: sets.key, revision: sets.revision };
  const found = await db
    .select(columns)
    .from(sets)
    .where(and(inArray(sets.key, [...keys]), isNull(sets.deletedAt)));
  const generation = await generationOf(db);
  return found.map((one) => ({ ...one, generation }));
}

const newKey = (): string => `s_${crypto.randomUUID().replaceAll('-', '')}`;

/** Columns that are copied from a document. */
export const factsOf = ({ title, fields }: SetDocument) => ({ title, fields: fields?.length ?? 0 });

/**
 * Stores a new set under `id`, or under one made from its title, followed by a number if it is taken by any
 * set, deleted ones included.
 */
export async function createSet(db: Database, document: SetDocument, id?: string): Promise<StoredSet> {
  return db.transaction(async (tx) => {
    const stem = id ?? (slug(document.title).slice(0, 60) || 'set');
    const key = newKey();
    const values = { key, revision: 1, document, ...factsOf(document) };
    for (let n = 1; ; n++) {
      const name = n === 1 ? stem : `${stem}-${n}`;
      // If several requests take one name at the same time, each gets another.
      const made = await tx
        .insert(sets)
        .values({ ...values, id: name })
        .onConflictDoNothing({ target: sets.id })
        .returning({ id: sets.id });
      if (made.length === 0) continue;
      await tx.delete(formerIds).where(eq(formerIds.id, name));
      await tx.insert(revisions).values({ setKey: key, revision: 1 });
      return { key, id: name, generation: await generationOf(tx), revision: 1, document };
    }
  });
}

/** Deletes a set from the shelf; it can be restored. Returns whether there was one. */
export async function deleteSet(db: Database, address: string): Promise<boolean> {
  const key = await keyOf(db, address);
  if (key === undefined) return false;
  const there = and(eq(sets.key, key), isNull(sets.deletedAt));
  const gone = await db.update(sets).set({ deletedAt: sql`now()` }).where(there).returning({ key: sets.key });
  return gone.length > 0;
}

/** Restores a deleted set as it was. Returns whether there was one. */
export async function restoreSet(db: Database, address: string): Promise<boolean> {
  const wasTaken = and(
    isKey(address) ? eq(sets.key, address) : eq(sets.id, address),
    isNotNull(sets.deletedAt),
  );
  const back = await db.update(sets).set({ deletedAt: null }).where(wasTaken).returning({ key: sets.key });
  return back.length > 0;
}

/**
 * Gives a set another id. The former id leads to it until another set takes it. `taken` if another set,
 * deleted or not, has the id.
 */
export async function renameSet(
  db: Database,
  address: string,
  to: string,
): Promise<'renamed' | 'missing' | 'taken'> {
  return db.transaction(async (tx) => {
    const key = await keyOf(tx, address);
    if (key === undefined) return 'missing';
    const [present] = await tx.select({ id: sets.id }).from(sets).where(eq(sets.key, key)).for('update');
    const [other] = await tx.select({ key: sets.key }).from(sets).where(eq(sets.id, to));
    if (other && other.key !== key) return 'taken';
    if (!present || present.id === to) return 'renamed';
    await tx.update(sets).set({ id: to }).where(eq(sets.key, key));
    await tx.delete(formerIds).where(eq(formerIds.id, to));
    await tx
      .insert(formerIds)
      .values({ id: present.id, setKey: key })
      .onConflictDoUpdate({
        target: formerIds.id,
        set: { setKey: key },
      });
    return 'renamed';
  });
}

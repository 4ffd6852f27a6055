import type { SetDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { eq, sql } from 'drizzle-orm';
import type { Database } from './database.ts';
import { readOnServer, reads } from './read-on-server.ts';
import { sets, stores } from './schema.ts';
import { keyOf, type StoredSet } from './sets.ts';

/** A set whose document was read. */
export interface SoundSet extends StoredSet {
  /** Faults of an invalid document, which is then returned as it is stored. */
  readonly faults: readonly DocumentFault[];
}

interface Kept extends Pick<StoredSet, 'generation' | 'key' | 'revision' | 'document'> {
  readonly faults: readonly DocumentFault[];
  readonly size: number;
}

/** Size of the cache, in characters of JSON. */
const mostKept = 16_000_000;

/**
 * A document of the store as the engine reads it, with entries that may be left out. An invalid document is
 * returned unchanged.
 */
export function sound(document: SetDocument): SetDocument {
  const read = reads(document);
  return read.ok ? read.document : document;
}

/**
 * Documents that a server has read, by set, the most recent last. When such a document is saved again, only
 * its changes are checked.
 */
export interface Documents {
  /** The set `key`, or `undefined`. */
  find(db: Database, key: string): Promise<SoundSet | undefined>;
  /** Caches a stored document in place of the former one of its set. */
  keep(at: Pick<StoredSet, 'generation' | 'key' | 'revision'>, document: SetDocument, size: number): void;
}

function createDocuments(): Documents {
  const kept = new Map<string, Kept>();
  const put = (one: Kept): void => {
    kept.delete(one.key);
    kept.set(one.key, one);
    let all = 0;
    for (const { size } of kept.values()) all += size;
    for (const [key, { size }] of kept) {
      if (all <= mostKept) break;
      kept.delete(key);
      all -= size;
    }
  };
  return {
    keep: (at, document, size) => put({ ...at, document, faults: [], size }),
    async find(db, key) {
      const generation = sql<string>`(select ${stores.generation} from ${stores})`;
      const columns = { key: sets.key, id: sets.id, revision: sets.revision, generation };
      const [at] = await db.select(columns).from(sets).where(eq(sets.key, key));
      if (!at) return undefined;
      const one = kept.get(key);
      if (one && one.revision === at.revision && one.generation === at.generation) {
        put(one);
        return { ...at, document: one.document, faults: one.faults };
      }
      // One query for both: the set may have been saved after the first one.
      const [found] = await db
        .select({ ...columns, document: sets.document })
        .from(sets)
        .where(eq(sets.key, key));
      if (!found) return undefined;
      const read = await readOnServer(found.document);
      const now = read.ok ? { document: read.document, faults: [] } : { ...found, faults: read.faults };
      put({ ...found, ...now, size: JSON.stringify(found.document).length });
      return { ...found, ...now };
    },
  };
}

/**
 * Documents of the opened stores. Next gives each route a copy of this module; this cache is shared by all of
 * them.
 */
const place = globalThis as { arbeitDocuments?: WeakMap<Database, Documents> };

/** The documents of an opened store. */
export function documentsOf(db: Database): Documents {
  place.arbeitDocuments ??= new WeakMap();
  const documents = place.arbeitDocuments.get(db) ?? createDocuments();
  place.arbeitDocuments.set(db, documents);
  return documents;
}

/** The set with the key, id or former id `address`, with its document read. */
export async function soundSet(db: Database, address: string): Promise<SoundSet | undefined> {
  const key = await keyOf(db, address);
  return key === undefined ? undefined : documentsOf(db).find(db, key);
}

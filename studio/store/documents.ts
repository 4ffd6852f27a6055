import { readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { eq } from 'drizzle-orm';
import type { Database } from './database.ts';
import type { Reads } from './saving.ts';
import { sets } from './schema.ts';

/** Where a document stands: a revision of a set, in a store. */
interface At {
  readonly generation: string;
  readonly key: string;
  readonly revision: number;
}

interface Kept extends At {
  readonly document: SetDocument;
  readonly size: number;
}

/** So much is kept, in characters of JSON. */
const mostKept = 16_000_000;

/** Fields that were found sound, so that they are not read again. */
const known = new WeakMap<object, unknown>();

/** Reads a document of this store; fields that were read before are not read again. */
export const reads: Reads = (document) => readDocument(document, kinds, { known });

/** A document of the store as the engine reads it: entries that may be left out are there. One that cannot be read stays as it is. */
export function sound(document: SetDocument): SetDocument {
  const read = reads(document);
  return read.ok ? read.document : document;
}

/** Documents as a server last read them, by set, the one read or saved last at the end: of a document that is saved again only the changes are read. */
export interface Documents {
  /** The document of a set at the revision it has, read. */
  present(db: Database, at: At): Promise<SetDocument>;
  /** Keeps a document that was stored, in place of what was kept of its set. */
  keep(at: At, document: SetDocument, size: number): void;
}

function createDocuments(): Documents {
  const kept = new Map<string, Kept>();
  const keep: Documents['keep'] = (at, document, size) => {
    kept.delete(at.key);
    kept.set(at.key, { ...at, document, size });
    let all = 0;
    for (const one of kept.values()) all += one.size;
    for (const [key, one] of kept) {
      if (all <= mostKept) break;
      kept.delete(key);
      all -= one.size;
    }
  };
  return {
    keep,
    async present(db, at) {
      const one = kept.get(at.key);
      if (one && one.revision === at.revision && one.generation === at.generation) {
        kept.delete(at.key);
        kept.set(at.key, one);
        return one.document;
      }
      const [found] = await db.select({ document: sets.document }).from(sets).where(eq(sets.key, at.key));
      const document = sound(found!.document);
      keep(at, document, JSON.stringify(document).length);
      return document;
    },
  };
}

const perStore = new WeakMap<Database, Documents>();

/** The documents of an opened store: another server's are its own. */
export function documentsOf(db: Database): Documents {
  const documents = perStore.get(db) ?? createDocuments();
  perStore.set(db, documents);
  return documents;
}

import type { SetDocument } from '@arbeit/engine/document';
import { eq } from 'drizzle-orm';
import type { Answer, Changes } from '../model/saver.ts';
import { backupOf, restoreInto } from './backup.ts';
import { soundSet } from './documents.ts';
import type { Operation } from './operations.ts';
import { changesSince, type SentSave, saveSet } from './save-set.ts';
import { pages, saves } from './schema.ts';
import { openServer } from './server.ts';
import { createSet, listSets, renameSet, type StoredSet } from './sets.ts';
import { openStore } from './store.ts';

/** The questions a storm asks a server. Arguments and answers can be sent between processes. */
export interface StormServer {
  create(document: SetDocument): Promise<StoredSet>;
  /** Answers as the route does. */
  save(key: string, save: SentSave): Promise<Answer>;
  changes(key: string, base: number | undefined, generation: string): Promise<Changes | undefined>;
  rename(key: string, to: string): Promise<unknown>;
  backUp(): Promise<string>;
  restore(text: string): Promise<unknown>;
  /**
   * The document, the faults a reader finds in it, the operations of all saves, and the last counter of each
   * page.
   */
  everything(key: string): Promise<{
    readonly document: SetDocument;
    readonly faults: number;
    readonly log: readonly (readonly Operation[])[];
    readonly counters: Readonly<Record<string, number>>;
  }>;
  /** Faults in the documents of all sets. */
  faults(): Promise<number>;
  close(): Promise<void>;
}

/** Opens the store at `where`: a PostgreSQL address or a data folder. */
export async function stormServer(where: string, migrations: string): Promise<StormServer> {
  const isAddress = where.startsWith('postgres:');
  const store = await (isAddress ? openServer(where, migrations) : openStore(where, migrations));
  return {
    create: (document) => store.write((db) => createSet(db, document)),
    async save(key, save) {
      const result = await store.write((db) => saveSet(db, key, save));
      if (result.outcome === 'saved') return { ok: true, ...result };
      if (result.outcome === 'refused') return { ok: false, theirs: result.theirs, kept: result.kept };
      return {
        ok: false,
        why: result.outcome,
        faults: result.outcome === 'faulty' ? result.faults : [],
      };
    },
    changes: (key, base, generation) =>
      store.read(async (db) => {
        if (base !== undefined) return changesSince(db, key, base, generation);
        const whole = await soundSet(db, key);
        return whole && { whole };
      }),
    rename: (key, to) => store.write((db) => renameSet(db, key, to)),
    async backUp() {
      let text = '';
      for await (const line of backupOf(store.db, new Date())) text += line;
      return text;
    },
    restore: (text) => store.write((db) => restoreInto(db, text, { replaces: true })),
    async everything(key) {
      const { document, faults } = (await store.read((db) => soundSet(db, key)))!;
      const ofSet = eq(saves.setKey, key);
      const log = await store.read((db) =>
        db.select({ operations: saves.operations }).from(saves).where(ofSet).orderBy(saves.revision),
      );
      const known = await store.read((db) => db.select().from(pages).where(eq(pages.setKey, key)));
      return {
        document,
        faults: faults.length,
        log: log.map(({ operations }) => operations),
        counters: Object.fromEntries(known.map(({ page, counter }) => [page, counter])),
      };
    },
    async faults() {
      let count = 0;
      for (const { key } of await store.read(listSets))
        count += (await store.read((db) => soundSet(db, key)))!.faults.length;
      return count;
    },
    close: () => store.close(),
  };
}

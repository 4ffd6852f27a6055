import { join, resolve } from 'node:path';
import type { SetDocument } from '@arbeit/engine/document';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import type { Database } from './database.ts';
import { flushAll, flushLog } from './flush.ts';
import { lockFolder } from './lock.ts';
import * as schema from './schema.ts';
import { createSet, listSets } from './sets.ts';
import { StoreTrouble, saying, troubleIn } from './trouble.ts';

/** An opened data folder. */
export interface Store {
  readonly db: Database;
  /** Runs work that writes; once it is answered, what it wrote is on the disk. Throws `StoreTrouble`. */
  write<T>(work: (db: Database) => Promise<T>): Promise<T>;
  /** Runs work that reads. Throws `StoreTrouble`. */
  read<T>(work: (db: Database) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** The data folder: `ARBEIT_DATA`, else `.data` in the project. */
const dataFolder = (): string => resolve(process.env.ARBEIT_DATA ?? join(process.cwd(), '..', '.data'));

/** So many writes, then what they left behind is cleared away and the log begun anew: the folder stays small. */
const writesBetweenTidying = 25;
/** Longer than any answer of a store of this size takes; a hang must not become the page's. */
const patience = 10_000;

const settings = ['max_wal_size=4MB', 'min_wal_size=2MB', 'wal_compression=pglz'];

/** Opens a data folder: locks it, brings the tables up to date, and puts the demo set into an empty one. */
export async function openStore(folder: string, migrations: string): Promise<Store> {
  const held = lockFolderOr(folder);
  let client: PGlite | undefined;
  try {
    client = await PGlite.create(join(folder, 'pg'), {
      initDbStartParams: ['--wal-segsize=1'],
      startParams: [...PGlite.defaultStartParams, ...settings.flatMap((setting) => ['-c', setting])],
    });
    const opened = client;
    const db = drizzle(opened, { schema });
    await migrate(db, { migrationsFolder: migrations });
    if ((await listSets(db)).length === 0) await createSet(db, demo as SetDocument, 'ridge-huts');
    let since = Date.now() - 60_000;
    flushAll(folder, since);
    let writes = 0;
    const inTime = <T>(work: Promise<T>): Promise<T> => {
      let timer: ReturnType<typeof setTimeout>;
      const late = new Promise<never>((_, reject) => {
        timer = setTimeout(
          () => reject(new StoreTrouble('The store did not answer in time. Try again.')),
          patience,
        );
      });
      return Promise.race([work, late]).finally(() => clearTimeout(timer));
    };
    const guarded = async <T>(work: () => Promise<T>): Promise<T> => {
      try {
        return await inTime(work());
      } catch (error) {
        throw troubleIn(error, folder) ?? error;
      }
    };
    const tidy = async (): Promise<void> => {
      for (const table of ['sets', 'revisions', 'saves', 'pages', 'refused', 'codes'])
        await opened.query(`vacuum ${table}`);
      await opened.query('checkpoint');
      flushAll(folder, since);
      since = Date.now() - 1000;
    };
    return {
      db,
      read: (work) => guarded(() => work(db)),
      write: (work) =>
        guarded(async () => {
          if (!held.isStill())
            throw new StoreTrouble(
              `The data folder ${folder} was moved or deleted while Arbeit was running. Start Arbeit again; changes are kept in the browser.`,
            );
          const began = Date.now() - 1000;
          const result = await work(db);
          flushLog(folder, began);
          if (++writes % writesBetweenTidying === 0) await tidy();
          return result;
        }),
      close: async () => {
        await opened.close();
        held.release();
      },
    };
  } catch (error) {
    await client?.close().catch(() => undefined);
    held.release();
    throw saying(error, folder);
  }
}

function lockFolderOr(folder: string) {
  try {
    return lockFolder(folder);
  } catch (error) {
    throw saying(error, folder);
  }
}

// Next gives each route a copy of this module; the process has one store.
const place = globalThis as { arbeitStore?: Promise<Store> };

/** The process's store, opened on first use. A failed opening is tried again next time. Throws `StoreTrouble`. */
export function store(): Promise<Store> {
  place.arbeitStore ??= openStore(dataFolder(), join(process.cwd(), 'store', 'migrations')).catch(
    (error: unknown) => {
      delete place.arbeitStore;
      throw error;
    },
  );
  return place.arbeitStore;
}

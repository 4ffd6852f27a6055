import { dirname, join, resolve } from 'node:path';
import type { SetDocument } from '@arbeit/engine/document';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import type { Pool } from 'pg';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import type { Database } from './database.ts';
import { sound } from './documents.ts';
import { EmbeddedPool, makeRoom } from './embedded.ts';
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

const tables = ['sets', 'revisions', 'saves', 'pages', 'refused', 'codes'];

/** Brings the tables up to date, and puts the demo set into an empty store. */
async function prepare(db: Database, migrations: string): Promise<void> {
  await migrate(db, { migrationsFolder: migrations });
  if ((await listSets(db)).length === 0) await createSet(db, sound(demo as SetDocument), 'ridge-huts');
}

/** Opens a data folder: locks it, brings the tables up to date, and puts the demo set into an empty one. */
export async function openStore(folder: string, migrations: string): Promise<Store> {
  const held = lockFolderOr(folder);
  const pool = new EmbeddedPool(folder, join(dirname(migrations), 'pglite-thread.mjs'));
  // It is asked as `pg` is.
  const db = drizzle(pool as unknown as Pool, { schema });
  try {
    await pool.open();
    await prepare(db, migrations);
    await pool.flush();
  } catch (error) {
    await pool.close().catch(() => undefined);
    held.release();
    throw saying(error, folder);
  }
  let writes = 0;
  const guarded = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      return await work();
    } catch (error) {
      throw troubleIn(error, folder) ?? error;
    }
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
        pool.requireRoom();
        const result = await work(db);
        await pool.flush();
        if (++writes % writesBetweenTidying === 0) await pool.tidy(tables);
        return result;
      }),
    close: async () => {
      await pool.close();
      held.release();
    },
  };
}

function lockFolderOr(folder: string) {
  try {
    makeRoom(folder);
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

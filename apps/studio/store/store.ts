import { dirname, join, resolve } from 'node:path';
import { drizzle } from 'drizzle-orm/node-postgres';
import type { Pool } from 'pg';
import type { Store } from './database.ts';
import { EmbeddedPool, makeRoom } from './embedded.ts';
import { Followers } from './followers.ts';
import { type HeldLock, lockFolder } from './lock.ts';
import { prepare } from './prepare.ts';
import * as schema from './schema.ts';
import { openServer } from './server.ts';
import { asStoreError, StoreError, storeErrorIn } from './store-error.ts';

/** The data folder: `ARBEIT_DATA`, otherwise `.data` in the project. */
const dataFolder = (): string => resolve(process.env.ARBEIT_DATA ?? join(process.cwd(), '..', '..', '.data'));

/** Writes after which the store cleans up and truncates its log, so that the folder stays small. */
const writesBetweenTidying = 25;

const tables = ['sets', 'revisions', 'saves', 'pages', 'refused', 'codes'];

/** Opens a data folder: locks it, migrates the tables, and adds the demo set to an empty one. */
export async function openStore(folder: string, migrations: string): Promise<Store> {
  const held = await lockFolderOr(folder);
  const followers = new Followers();
  const received = (payload: string): void => followers.receive(payload);
  const pool = new EmbeddedPool(folder, join(dirname(migrations), 'pglite-thread.mjs'), received);
  // The pool has the same interface as that of `pg`.
  const db = drizzle(pool as unknown as Pool, { schema });
  try {
    await pool.open();
    await prepare(db, migrations);
    await pool.flush();
  } catch (error) {
    await pool.close().catch(() => undefined);
    held.release();
    throw asStoreError(error, folder);
  }
  let writes = 0;
  const guarded = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      return await work();
    } catch (error) {
      throw storeErrorIn(error, folder) ?? error;
    }
  };
  return {
    db,
    read: (work) => guarded(() => work(db)),
    write: (work) =>
      guarded(async () => {
        if (!held.isStill())
          throw new StoreError(
            `The data folder ${folder} was moved or deleted while Arbeit was running. Start Arbeit again; changes are kept in the browser.`,
          );
        pool.requireRoom();
        const result = await work(db);
        await pool.flush();
        if (++writes % writesBetweenTidying === 0) await pool.tidy(tables);
        return result;
      }),
    follow: (key, listener) => followers.follow(key, listener),
    close: async () => {
      await pool.close();
      held.release();
    },
  };
}

async function lockFolderOr(folder: string): Promise<HeldLock> {
  try {
    makeRoom(folder);
    return await lockFolder(folder);
  } catch (error) {
    throw asStoreError(error, folder);
  }
}

// Next gives each route a copy of this module; the process has one store.
const place = globalThis as { arbeitStore?: Promise<Store> };

/**
 * The process's store, opened on first use: of the server named in `DATABASE_URL`, else in the data folder. A
 * failed opening is tried again next time. Throws `StoreError`.
 */
export function store(): Promise<Store> {
  const migrations = join(process.cwd(), 'store', 'migrations');
  const url = process.env.DATABASE_URL;
  const open = (): Promise<Store> =>
    url ? openServer(url, migrations) : openStore(dataFolder(), migrations);
  place.arbeitStore ??= open().catch((error: unknown) => {
    delete place.arbeitStore;
    throw error;
  });
  return place.arbeitStore;
}

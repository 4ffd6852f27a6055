import { join, resolve } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import type { SetDocument } from '../../engine/compile/document.ts';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { lockFolder } from './lock.ts';
import * as schema from './schema.ts';
import { createSet, listSets } from './sets.ts';

export type Database = PgliteDatabase<typeof schema>;

/** The data folder: `ARBEIT_DATA`, else `.data` in the project. */
export const dataFolder = (): string =>
  resolve(process.env.ARBEIT_DATA ?? join(process.cwd(), '..', '.data'));

/** Opens a data folder: locks it, brings the tables up to date, and puts the demo set into an empty one. */
export async function openStore(
  folder: string,
  migrations: string,
): Promise<{ db: Database; close: () => Promise<void> }> {
  const release = lockFolder(folder);
  try {
    const client = await PGlite.create(join(folder, 'pg'));
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder: migrations });
    if ((await listSets(db)).length === 0) await createSet(db, demo as SetDocument, 'ridge-huts');
    return {
      db,
      close: async () => {
        await client.close();
        release();
      },
    };
  } catch (error) {
    release();
    throw error;
  }
}

// Next gives each route a copy of this module; the process has one store.
const place = globalThis as { arbeitStore?: Promise<Database> };

/** The process's store, opened on first use. A failed opening is tried again next time. */
export function store(): Promise<Database> {
  place.arbeitStore ??= openStore(dataFolder(), join(process.cwd(), 'store', 'migrations')).then(
    ({ db }) => db,
    (error: unknown) => {
      delete place.arbeitStore;
      throw error;
    },
  );
  return place.arbeitStore;
}

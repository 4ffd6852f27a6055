import type { SetDocument } from '@arbeit/engine/document';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import type { Database } from './database.ts';
import { sound } from './documents.ts';
import { createSet, listSets } from './sets.ts';

/** Migrates the tables of a store, and adds the demo set to an empty one. */
export async function prepare(db: Database, migrations: string): Promise<void> {
  await migrate(db, { migrationsFolder: migrations });
  if ((await listSets(db)).length === 0) await createSet(db, sound(demo as SetDocument), 'ridge-huts');
}

import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import type * as schema from './schema.ts';

/** The store's tables, ready to be asked: of the store in a folder as of a server. */
export type Database = NodePgDatabase<typeof schema>;

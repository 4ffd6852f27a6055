import type { PgliteDatabase } from 'drizzle-orm/pglite';
import type * as schema from './schema.ts';

/** The store's tables, ready to be asked. */
export type Database = PgliteDatabase<typeof schema>;

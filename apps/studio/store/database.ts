import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import type { Change } from './followers.ts';
import type * as schema from './schema.ts';

/** The store's tables, in a folder or on a server. */
export type Database = NodePgDatabase<typeof schema>;

/** An opened store: in a data folder, or on a server. */
export interface Store {
  readonly db: Database;
  /** Runs work that writes; once it is answered, what it wrote is on the disk. Throws `StoreError`. */
  write<T>(work: (db: Database) => Promise<T>): Promise<T>;
  /** Runs work that reads. Throws `StoreError`. */
  read<T>(work: (db: Database) => Promise<T>): Promise<T>;
  /**
   * Calls `listener` after each later change of the set `key`, made on any server. Returns a function that
   * ends this.
   */
  follow(key: string, listener: (change: Change) => void): () => void;
  close(): Promise<void>;
}

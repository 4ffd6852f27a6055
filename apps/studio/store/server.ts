import { drizzle } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as texts from '../words/store/server.ts';
import type { Database, Store } from './database.ts';
import { Followers } from './followers.ts';
import { Listening } from './listening.ts';
import { prepare } from './prepare.ts';
import * as schema from './schema.ts';
import { revisionsOf } from './sets.ts';
import { isStoreError, StoreError, unanswered } from './store-error.ts';

/** Most connections of one Arbeit server; PostgreSQL's default limit is 100 for all. */
const mostConnections = 10;
/** Time limit for opening a connection and for one statement, in milliseconds. */
const patience = 10_000;
/**
 * A server that answers nothing at all, not even that a statement timed out, is given up after this
 * additional time, in milliseconds.
 */
const grace = 5_000;

/** The advisory lock that all Arbeit servers share: its holder migrates the tables. */
const upToDate = 4_071_208_813;

/** Why the database does not answer, and what to do. `undefined` for an error that is not the database's. */
function serverTroubleIn(error: unknown): StoreError | undefined {
  if (isStoreError(error)) return error;
  for (let cause = error, depth = 0; cause && depth < 6; depth++) {
    const { code, message } = cause as { readonly code?: unknown; readonly message?: unknown };
    for (const [form, words] of troubles)
      if (form.test(String(code ?? '')) || form.test(String(message ?? '')))
        return new StoreError(words, error);
    cause = (cause as { readonly cause?: unknown }).cause;
  }
  return unanswered(error);
}

/** Error codes of the system (POSIX), of PostgreSQL (appendix A), and messages of `pg` without a code. */
const troubles: readonly (readonly [form: RegExp, words: string])[] = [
  [
    /^(?:28P01|28000)$/,
    texts.theDatabaseRefusesTheUser,
  ],
  [/^3D000$/, texts.theDatabaseNamedInDatabase],
  [/^42501$/, texts.theUserOfDatabaseUrl],
  [/^53300$/, texts.theDatabaseHasNoConnection],
  [/^(?:53100|ENOSPC)$/, 'The disk of the database is full. Nothing was changed. Free some space; changes are kept in the browser and sent again.'],
  [/^25006$/, 'The database takes no changes at the moment (it is read-only). Nothing was changed; try again.'],
  [/^57014$|statement timeout|Query read timeout/, texts.theDatabaseDidNotRespondIn],
  [
    /^(?:ECONNREFUSED|ECONNRESET|ENOENT|ENOTDIR|EACCES|EPERM|ENOTFOUND|EHOSTUNREACH|ETIMEDOUT|EPIPE|57P0\d|08\w{3}|40001|40P01)$|Connection terminated|not queryable|connection timeout|timeout exceeded when trying to connect/i,
    'The database cannot be reached. Nothing was changed; try again. If this stays, see whether it runs and whether DATABASE_URL is right.',
  ],
]; // biome-ignore format: a trouble a line

/**
 * Opens the store of a PostgreSQL server: brings the tables up to date, and puts the demo set into an empty
 * one. Throws `StoreError`.
 */
export async function openServer(url: string, migrations: string): Promise<Store> {
  const pool = new pg.Pool({
    connectionString: url,
    max: mostConnections,
    connectionTimeoutMillis: patience,
    statement_timeout: patience,
    idle_in_transaction_session_timeout: patience,
    query_timeout: patience + grace,
    keepAlive: true,
    application_name: 'arbeit',
  });
  // A lost idle connection is not an error: the next query opens another.
  pool.on('error', () => undefined);
  // A connection lost while in use: the query reports it.
  pool.on('connect', (client) => client.on('error', () => undefined));
  const db = transacting(pool);
  const guarded = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      return await work();
    } catch (error) {
      throw serverTroubleIn(error) ?? error;
    }
  };
  try {
    await alone(url, (client) => prepare(drizzle(client, { schema }), migrations));
  } catch (error) {
    await pool.end().catch(() => undefined);
    throw serverTroubleIn(error) ?? error;
  }
  const followers = new Followers();
  const listening = new Listening(url, followers, async () => {
    for (const { key, ...change } of await revisionsOf(db, followers.keys())) followers.notify(key, change);
  });
  return {
    db,
    read: (work) => guarded(() => work(db)),
    write: (work) => guarded(() => work(db)),
    follow: (key, listener) => {
      listening.begin();
      return followers.follow(key, listener);
    },
    close: async () => {
      await listening.end();
      await pool.end();
    },
  };
}

/**
 * The tables over a pool. Drizzle's own transactions lose a connection of the pool for good if `begin` fails,
 * and return connections that still wait for an answer: after ten of them every request waits for ever. Here
 * every connection is returned, and one in an unknown state is closed.
 */
function transacting(pool: pg.Pool): Database {
  const db = drizzle(pool, { schema });
  const transaction: typeof db.transaction = async (work, config) => {
    const client = await pool.connect();
    let failure: { readonly error: unknown } | undefined;
    const remember = (error: unknown): never => {
      failure = { error };
      // A rollback would wait as long again.
      if (isUnanswered(error)) client.end().catch(() => undefined);
      throw error;
    };
    try {
      return await drizzle(client, { schema }).transaction((tx) => work(tx).catch(remember), config);
    } catch (error) {
      // On a lost connection the rollback fails too, with a less useful error.
      throw failure ? failure.error : error;
    } finally {
      client.release(client.getTransactionStatus() !== 'I');
    }
  };
  return Object.assign(db, { transaction });
}

const isUnanswered = (error: unknown): boolean =>
  error instanceof Error && (/Query read timeout/.test(error.message) || isUnanswered(error.cause));

/**
 * Does something that only one server at a time may do; the others wait, however long it takes. It uses a
 * connection of its own, without time limits. If the server is killed, the database rolls its changes back.
 */
async function alone(url: string, work: (client: pg.Client) => Promise<void>): Promise<void> {
  const client = new pg.Client({
    connectionString: url,
    connectionTimeoutMillis: patience,
    keepAlive: true,
    application_name: 'arbeit',
  });
  // A lost connection is reported by the query.
  client.on('error', () => undefined);
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [upToDate]);
    await work(client);
  } finally {
    // The lock is released with the connection.
    await client.end().catch(() => undefined);
  }
}

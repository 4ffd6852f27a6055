import { existsSync, readdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import * as words from '../words/store/embedded.ts';
import { channel } from './followers.ts';
import { asStoreError, damaged, diskFull, StoreError } from './store-error.ts';

/** A query in the form of `pg`. */
interface Query {
  readonly text: string;
  readonly rowMode?: 'array';
}

interface Answer {
  readonly rows: unknown[];
  readonly fields: unknown[];
  readonly rowCount: number;
}

/**
 * Timeout of a query in milliseconds: longer than any query of a store of this size takes. A hang must not
 * spread to the page.
 */
const patience = 10_000;
/** Timeout of opening, in milliseconds: creating a new folder on a slow disk takes a while. */
const patienceToOpen = 60_000;

const ended = 'The store ended and starts again. Nothing was changed; try again.';

const settings = ['max_wal_size=4MB', 'min_wal_size=2MB', 'wal_compression=pglz'];

/**
 * Free disk space that a write needs, in bytes: PostgreSQL cannot continue after a write that ran out of
 * space.
 */
const mostWritten = 12_000_000;
/**
 * Disk space held in reserve, in bytes. On a full disk it is given up, so that the store can be opened and
 * read.
 */
const reserved = 6_000_000;

const freeIn = (folder: string): number => {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
};
const reserveIn = (folder: string): string => join(folder, 'arbeit.reserve');

/** Whether there is too little space for a write. */
const isShort = (folder: string): boolean => freeIn(folder) < mostWritten;

/** Gives up the reserved space if the disk is full, so that a store can be opened and read. */
export function makeRoom(folder: string): void {
  if (existsSync(folder) && isShort(folder)) rmSync(reserveIn(folder), { force: true });
}

/** An error of PostgreSQL, as the thread reports it. */
class EmbeddedError extends Error {
  readonly code: string | undefined;
  readonly severity: string | undefined;
  constructor({ message, ...more }: { readonly message: string }) {
    super(message);
    Object.assign(this, more);
  }
}

/**
 * PGlite in a thread, as a pool of one `pg` connection, so that Drizzle uses it like a server. A thread that
 * does not answer is ended, and the next query starts a new one.
 */
export class EmbeddedPool {
  /**
   * Drizzle gives a transaction a connection of its own if this name contains “Pool”; a minifier would rename
   * the class.
   */
  static readonly name = 'EmbeddedPool';
  readonly #folder: string;
  readonly #thread: string;
  readonly #received: (payload: string) => void;
  #worker: Worker | undefined;
  #opening: Promise<void> | undefined;
  #asked = 0;
  readonly #waiting = new Map<number, { resolve(answer: unknown): void; reject(error: Error): void }>();
  /** Resolves when the connection is free. */
  #turn: Promise<void> = Promise.resolve();
  #isClosed = false;

  /** `received` is called with the payload of each notification (NOTIFY) on the channel of changes. */
  constructor(folder: string, thread: string, received: (payload: string) => void) {
    this.#folder = folder;
    this.#thread = thread;
    this.#received = received;
  }

  /** Opens the store, or says why it does not. Throws `StoreError`. */
  open(): Promise<void> {
    this.#opening ??= this.#begin();
    return this.#opening;
  }

  async query(query: Query, values?: readonly unknown[]): Promise<Answer> {
    const client = await this.connect();
    try {
      return await client.query(query, values);
    } finally {
      client.release();
    }
  }

  /** The only connection, exclusively until it is released. */
  async connect(): Promise<{ query: EmbeddedPool['query']; release(): void }> {
    let release = (): void => {};
    const before = this.#turn;
    this.#turn = new Promise((resolve) => {
      release = resolve;
    });
    await before;
    let worker: Worker | undefined;
    return {
      query: async (query, values = []) => {
        await this.open();
        // Whatever began in a thread ends with it: the rest of a transaction must not run in another one.
        worker ??= this.#worker;
        if (worker !== this.#worker) throw new StoreError(ended);
        const { text, rowMode } = typeof query === 'string' ? { text: query as string } : query;
        const ask = { text, values, rowMode: rowMode ?? 'object' };
        return (await this.#ask('query', ask)) as Answer;
      },
      release,
    };
  }

  /** Flushes everything written to the disk. */
  async flush(): Promise<void> {
    await this.#ask('flush', {});
  }

  /** Cleans up after writes and truncates the log, so that the folder stays small. */
  async tidy(tables: readonly string[]): Promise<void> {
    const { release } = await this.connect();
    try {
      await this.#ask('tidy', { tables });
    } finally {
      release();
    }
  }

  /** Refuses a write for which there is no room. Throws `StoreError`. */
  requireRoom(): void {
    if (isShort(this.#folder)) throw diskFull(this.#folder);
    this.#reserve();
  }

  async close(): Promise<void> {
    if (this.#isClosed) return;
    this.#isClosed = true;
    await this.#turn;
    if (this.#worker) await this.#ask('close', {}).catch(() => undefined);
    await this.#end(new StoreError(words.theStoreWasClosed));
  }

  /** Reserves disk space if there is plenty. */
  #reserve(): void {
    const file = reserveIn(this.#folder);
    if (existsSync(file) || freeIn(this.#folder) < mostWritten + 2 * reserved) return;
    try {
      writeFileSync(file, Buffer.alloc(reserved, 1));
    } catch {
      rmSync(file, { force: true });
    }
  }

  async #begin(): Promise<void> {
    if (this.#isClosed) throw new StoreError(words.theStoreWasClosed);
    const pg = join(this.#folder, 'pg');
    // Only an empty folder is new. Anything else was a store, and must not be overwritten by a new one.
    if (existsSync(pg) && readdirSync(pg).length > 0 && !existsSync(join(pg, 'PG_VERSION')))
      throw damaged(this.#folder, undefined, ': PG_VERSION is missing');
    if (!existsSync(pg)) this.requireRoom();
    const worker = new Worker(this.#thread, { workerData: { folder: this.#folder, settings, channel } });
    this.#worker = worker;
    worker.on('message', ({ id, answer, error, payload }) => {
      if (payload !== undefined) this.#received(payload);
      const one = this.#waiting.get(id);
      this.#waiting.delete(id);
      if (error) one?.reject(new EmbeddedError(error));
      else one?.resolve(answer);
    });
    worker.on('error', (error) => void this.#end(asStoreError(error, this.#folder), worker));
    worker.on('exit', () => void this.#end(new StoreError(ended), worker));
    // Errors while the process ends do not matter.
    worker.unref();
    try {
      await this.#ask('open', {}, patienceToOpen);
    } catch (error) {
      await this.#end(error as Error, worker);
      throw error;
    }
  }

  #ask(ask: string, what: object, most = patience): Promise<unknown> {
    const worker = this.#worker;
    if (!worker) return Promise.reject(new StoreError(ended));
    const id = ++this.#asked;
    worker.ref();
    return new Promise((resolve, reject) => {
      const timer = setTimeout(() => {
        // A folder that is gone has no disk to check.
        const isFull = existsSync(this.#folder) && isShort(this.#folder);
        const late = new StoreError(words.theDatabaseDidNotRespond);
        void this.#end(isFull ? diskFull(this.#folder) : late, worker);
      }, most);
      const done = (): void => {
        clearTimeout(timer);
        if (this.#waiting.size === 0) worker.unref();
      };
      this.#waiting.set(id, {
        resolve: (answer) => {
          done();
          resolve(answer);
        },
        reject: (error) => {
          done();
          reject(error);
        },
      });
      worker.postMessage({ id, ask, ...what });
    });
  }

  /** Ends the thread. Waiting queries fail with `why`; the next query starts a new thread. */
  async #end(why: Error, worker = this.#worker): Promise<void> {
    if (!worker || worker !== this.#worker) return;
    this.#worker = undefined;
    this.#opening = undefined;
    const all = [...this.#waiting.values()];
    this.#waiting.clear();
    for (const one of all) one.reject(why);
    await worker.terminate();
  }
}

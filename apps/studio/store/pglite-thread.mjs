import { closeSync, fdatasyncSync, openSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parentPort, workerData } from 'node:worker_threads';
import { PGlite } from '@electric-sql/pglite';

/**
 * PGlite in a thread of its own: what it is busy with, or hangs in, keeps nobody else, and a thread can be
 * ended. It is asked one question at a time.
 *
 * * PGlite writes through WebAssembly's file system, which hands data to the operating system but never asks
 * it to flush: a process that is killed loses nothing that way, a machine that loses its power may. So the
 * write-ahead log is flushed here before a write is acknowledged, from which PostgreSQL recovers.
 */

/** @type {{ folder: string, settings: readonly string[], channel: string }} */
const { folder, settings, channel } = workerData;

/**
 * The types of PostgreSQL that come as text, as node-postgres and Drizzle expect them: dates, times and
 * intervals.
 */
const asText = Object.fromEntries([1082, 1083, 1114, 1184, 1186].map((oid) => [oid, (text) => text]));

/** @param {string} path */
function* files(path) {
  for (const entry of readdirSync(path, { withFileTypes: true })) {
    const inner = join(path, entry.name);
    if (entry.isDirectory()) yield* files(inner);
    else if (entry.isFile()) yield inner;
  }
}

/** @param {string} path When a file was last written, in milliseconds; 0 where it has gone meanwhile. */
const changedAt = (path) => statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? 0;

/**
 * What was flushed, and how each file stood then: a clock that is set back changes nothing. @type
 * {Map<string, number>}
 */
const flushed = new Map();

/** Brings to the disk what was written in a folder since it was last asked for. @param {string} path */
function flush(path) {
  for (const file of files(path)) {
    const changed = changedAt(file);
    if (flushed.get(file) === changed) continue;
    const opened = openSync(file, 'r');
    try {
      fdatasyncSync(opened);
    } finally {
      closeSync(opened);
    }
    flushed.set(file, changed);
  }
}

/** @param {unknown} error What can be said of an error to another thread. */
function told(error) {
  const { message, code, severity, detail, constraint, table } = /** @type {Record<string, unknown>} */ (
    error ?? {}
  );
  return { message: String(message ?? error), code, severity, detail, constraint, table };
}

const opening = PGlite.create(join(folder, 'pg'), {
  initDbStartParams: ['--wal-segsize=1'],
  startParams: [...PGlite.defaultStartParams, ...settings.flatMap((setting) => ['-c', setting])],
});

/** What it can be asked. */
const answers = {
  open: async () => {
    const db = await opening;
    await db.listen(channel, (payload) => parentPort.postMessage({ payload }));
    flush(join(folder, 'pg'));
  },
  query: async ({ text, values, rowMode }) => {
    const db = await opening;
    const { rows, fields, affectedRows } = await db.query(text, values, { rowMode, parsers: asText });
    return { rows, fields, rowCount: affectedRows || rows.length };
  },
  flush: async () => flush(join(folder, 'pg', 'pg_wal')),
  tidy: async ({ tables }) => {
    const db = await opening;
    for (const table of tables) await db.query(`vacuum ${table}`);
    await db.query('checkpoint');
    flush(join(folder, 'pg'));
  },
  close: async () => (await opening).close(),
};

let last = Promise.resolve();
parentPort.on('message', ({ id, ask, ...what }) => {
  last = last.then(async () => {
    try {
      parentPort.postMessage({ id, answer: await answers[ask](what) });
    } catch (error) {
      parentPort.postMessage({ id, error: told(error) });
    }
  });
});

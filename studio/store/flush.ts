import { closeSync, fdatasyncSync, openSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Brings what was written to the disk itself. PGlite writes through WebAssembly's file system, which hands data to the
 * operating system but never asks it to flush: a process that is killed loses nothing that way, a machine that loses its
 * power may. So the write-ahead log is flushed here after each acknowledged save, from which PostgreSQL recovers.
 */
export function flushLog(folder: string, since: number): void {
  for (const path of files(join(folder, 'pg', 'pg_wal'), since)) flush(path);
}

/** Everything written since a moment: at a checkpoint, before the log of it may be thrown away. */
export function flushAll(folder: string, since: number): void {
  for (const path of files(join(folder, 'pg'), since)) flush(path);
}

function* files(folder: string, since: number): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* files(path, since);
    else if (entry.isFile() && changedAt(path) >= since) yield path;
  }
}

/** When a file was last written, in milliseconds; never where it has gone meanwhile. */
const changedAt = (path: string): number =>
  statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? Number.NEGATIVE_INFINITY;

function flush(path: string): void {
  const file = openSync(path, 'r');
  try {
    fdatasyncSync(file);
  } finally {
    closeSync(file);
  }
}

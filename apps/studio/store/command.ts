import { existsSync } from 'node:fs';
import { open, readFile, rename, rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import * as words from '../words/store/command.ts';
import { BackupFault, backupOf, restoreInto } from './backup.ts';
import type { Store } from './database.ts';
import { openServer } from './server.ts';
import { openStore } from './store.ts';
import { isStoreError } from './store-error.ts';

/** Where a store is: on a server, by its address, or in a data folder. */
export interface Where {
  readonly url: string | undefined;
  readonly folder: string;
  /** The project folder, which contains the migrations. */
  readonly root: string;
}

/**
 * Opens the store for `use` and always closes it. Resolves to an error message; `undefined` if there is no
 * error.
 */
async function withStore(
  { url, folder, root }: Where,
  work: (store: Store) => Promise<void>,
): Promise<string | undefined> {
  const migrations = join(root, 'apps', 'studio', 'store', 'migrations');
  let store: Store | undefined;
  try {
    store = url ? await openServer(url, migrations) : await openStore(resolve(folder), migrations);
    await work(store);
    return undefined;
  } catch (error) {
    if (isStoreError(error) || error instanceof BackupFault) return error.message;
    const { code, path, message } = error as NodeJS.ErrnoException;
    if (code && path) return `${path}: ${message}`;
    throw error;
  } finally {
    await store?.close();
  }
}

/** Writes the whole store to a file. The file gets its name when it is complete. */
export function backup(file: string, where: Where): Promise<string | undefined> {
  const { url, folder } = where;
  // Opening a folder without a store creates one. A mistyped name must not lead to an empty backup.
  if (!url && !existsSync(join(folder, 'pg')))
    return Promise.resolve(words.theFolderHasNoStore(resolve(folder)));
  return withStore(where, async (store) => {
    const part = `${file}.part`;
    const opened = await open(part, 'w');
    try {
      await store.read((db) =>
        db.transaction(
          async (tx) => {
            for await (const line of backupOf(tx, new Date())) await opened.write(line);
          },
          { isolationLevel: 'repeatable read', accessMode: 'read only' },
        ),
      );
      await opened.sync();
      await opened.close();
      await rename(part, file);
    } catch (error) {
      await opened.close().catch(() => undefined);
      await rm(part, { force: true });
      throw error;
    }
  });
}

/** Restores a backup and reports what was restored to `tell`. */
export function restore(
  file: string,
  where: Where,
  replaces: boolean,
  tell: (line: string) => void,
): Promise<string | undefined> {
  return withStore(where, async (store) => {
    const text = await readFile(file, 'utf8');
    const { sets, rows, at, unreadable } = await store.write((db) => restoreInto(db, text, { replaces }));
    tell(words.setsRestoredRows(sets, rows, at));
    for (const id of unreadable) tell(words.theDocumentOfCannot(id));
  });
}

import type { ReactNode } from 'react';
import type { Database } from '../store/database.ts';
import { store } from '../store/store.ts';
import { isStoreError, StoreError } from '../store/store-error.ts';
import { HydrationMarker } from '../ui/hydration-marker.tsx';
import * as words from '../words/app/read-from-store.ts';
import { logError } from './api/request.ts';

/** Reads from the store for a page. If the store does not answer, the page shows why. */
export async function readFromStore<T>(
  what: string,
  work: (db: Database) => Promise<T>,
): Promise<T | StoreError> {
  try {
    return await (await store()).read(work);
  } catch (error) {
    logError(what, error);
    return isStoreError(error) ? error : new StoreError(words.noResponseFromTheDatabase, error);
  }
}

/** Shown in place of a page that cannot be shown now. */
export function StoreErrorMessage({ message }: { readonly message: string }): ReactNode {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-2xl">{words.theDatabaseIsNotResponding}</h1>
      <p className="mt-2" role="status">
        {message}
      </p>
      <form className="mt-6">
        <button type="submit" className="word-button">
          {words.tryAgain}
        </button>
      </form>
      <HydrationMarker />
    </main>
  );
}

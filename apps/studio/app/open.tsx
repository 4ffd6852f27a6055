import type { ReactNode } from 'react';
import type { Database } from '../store/database.ts';
import { store } from '../store/store.ts';
import { isTrouble, StoreTrouble } from '../store/trouble.ts';
import { Alive } from '../ui/alive.tsx';
import { logTrouble } from './api/request.ts';

/** Reads for a page; what keeps the store from answering is told on it, in words. */
export async function reading<T>(
  what: string,
  work: (db: Database) => Promise<T>,
): Promise<T | StoreTrouble> {
  try {
    return await (await store()).read(work);
  } catch (error) {
    logTrouble(what, error);
    return isTrouble(error) ? error : new StoreTrouble('The store did not answer. Try again.', error);
  }
}

/** A page in place of the one that cannot be shown now. */
export function Trouble({ message }: { readonly message: string }): ReactNode {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-2xl">The store does not answer.</h1>
      <p className="mt-2" role="alert">
        {message}
      </p>
      <form className="mt-6">
        <button type="submit" className="word-button">
          Try again
        </button>
      </form>
      <Alive />
    </main>
  );
}

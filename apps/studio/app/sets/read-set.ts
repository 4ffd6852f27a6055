import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { soundSet } from '../../store/documents.ts';
import type { StoredSet } from '../../store/sets.ts';
import { isStoreError, type StoreError } from '../../store/store-error.ts';
import { setIdOf } from '../api/request.ts';
import { readFromStore } from '../read-from-store.tsx';

/**
 * A set for a page, read once per request; `undefined` if there is none, or it is invalid. An address with a
 * former id redirects to the current one. For an address with the key, which links use, the page itself shows
 * the id (`named-address.tsx`).
 */
export const readSet = cache(async (given: string): Promise<StoredSet | StoreError | undefined> => {
  const id = setIdOf(given);
  if (!id) return undefined;
  const found = await readFromStore('read a set', (db) => soundSet(db, id));
  if (!found || isStoreError(found)) return found;
  if (found.id !== id && found.key !== id) {
    const path = (await headers()).get('x-path') ?? '';
    const rest = path.startsWith(`/sets/${id}/`) ? path.slice(`/sets/${id}/`.length) : 'revisions';
    redirect(`/sets/${found.id}/${rest}`);
  }
  const { faults, ...set } = found;
  return faults.length === 0 ? set : undefined;
});

import { type Broken, Shelf } from '../screens/shelf/shelf.tsx';
import type { Database } from '../store/database.ts';
import { soundSet } from '../store/documents.ts';
import { findSets, type ListedSet, type StoredSet } from '../store/sets.ts';
import { isStoreError } from '../store/store-error.ts';
import { readFromStore, StoreErrorMessage } from './read-from-store.tsx';

export const dynamic = 'force-dynamic';

/**
 * Limits of the shelf: sets shown with their fields, fields shown in total, and further sets shown by title.
 */
const mostLaidOut = 10;
const mostFields = 1_000;
const mostFolded = 50;

/** Number of sets shown with their fields. The first one always is. */
function countLaidOut(all: readonly ListedSet[]): number {
  let count = 0;
  let fields = 0;
  for (const set of all.slice(0, mostLaidOut)) {
    fields += set.fields;
    if (fields > mostFields && count > 0) break;
    count++;
  }
  return count;
}

/** The sets of the shelf, the last changed first. */
const shelf = async (db: Database) => {
  const { sets, count } = await findSets(db, { most: mostLaidOut + mostFolded });
  const laidOut = countLaidOut(sets);
  const first = await Promise.all(sets.slice(0, laidOut).map(({ key }) => soundSet(db, key)));
  const folded = { sets: sets.slice(laidOut), next: sets.length, count };
  return { first: first.filter((set) => set !== undefined), folded };
};

export default async function ShelfPage() {
  const found = await readFromStore('shelf', shelf);
  if (isStoreError(found)) return <StoreErrorMessage message={found.message} />;
  const sets: StoredSet[] = [];
  const broken: Broken[] = [];
  // A set that was stored by hand, or by an older version, may be invalid. It gets one line and does not
  // break the page.
  for (const { faults, ...set } of found.first)
    if (faults.length === 0) sets.push(set);
    else
      broken.push({
        key: set.key,
        id: set.id,
        faults: faults.map(({ path, message }) => `${path}: ${message}`),
      });
  return <Shelf sets={sets} folded={found.folded} broken={broken} />;
}

import { demoSet } from '../model/tour.ts';
import { type Broken, Shelf } from '../screens/shelf/shelf.tsx';
import type { Database } from '../store/database.ts';
import { soundSet } from '../store/documents.ts';
import { findSets, keyOf, type ListedSet, type StoredSet } from '../store/sets.ts';
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

/**
 * The sets of the shelf, the last changed first. `asked` is the key of a set that is shown with its fields in
 * any case.
 */
const shelf = async (db: Database, asked: string | undefined) => {
  const { sets, count } = await findSets(db, { most: mostLaidOut + mostFolded });
  const laidOut = countLaidOut(sets);
  const shown = sets.slice(0, laidOut).map(({ key }) => key);
  const keys = asked === undefined || shown.includes(asked) ? shown : [...shown, asked];
  const first = await Promise.all(keys.map((key) => soundSet(db, key)));
  const rest = sets.slice(laidOut).filter(({ key }) => key !== asked);
  const folded = { sets: rest, next: sets.length, count };
  const hasDemo = (await keyOf(db, demoSet)) !== undefined;
  return { first: first.filter((set) => set !== undefined), folded, hasDemo };
};

export default async function ShelfPage({
  searchParams,
}: {
  readonly searchParams: Promise<Readonly<Record<string, string | readonly string[] | undefined>>>;
}) {
  const { set } = await searchParams;
  const asked = typeof set === 'string' ? set : undefined;
  const found = await readFromStore('shelf', (db) => shelf(db, asked));
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
  return <Shelf sets={sets} folded={found.folded} broken={broken} hasDemo={found.hasDemo} />;
}

import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { type Broken, Shelf } from '../shelf/shelf.tsx';
import type { Database } from '../store/database.ts';
import { findSet, listSets, type StoredSet } from '../store/sets.ts';
import { isTrouble } from '../store/trouble.ts';
import { reading, Trouble } from './open.tsx';

export const dynamic = 'force-dynamic';

/** Sets laid out at once, those changed last; of the others the page carries the titles. */
const laidOut = 10;

/** The sets of the shelf: all of them by title, those changed last with their documents. */
const shelf = async (db: Database) => {
  const all = await listSets(db);
  const first = await Promise.all(all.slice(0, laidOut).map(({ key }) => findSet(db, key)));
  return { first: first.filter((set) => set !== undefined), folded: all.slice(laidOut) };
};

export default async function ShelfPage() {
  const found = await reading('shelf', shelf);
  if (isTrouble(found)) return <Trouble message={found.message} />;
  const sets: StoredSet[] = [];
  const broken: Broken[] = [];
  // A set that was stored by hand, or by an older Arbeit, may not be readable any more: that is one line, not the page.
  for (const set of found.first) {
    const result = readDocument(set.document, kinds);
    if (result.ok) sets.push({ ...set, document: result.document });
    else broken.push({ id: set.id, faults: result.faults.map(({ path, message }) => `${path}: ${message}`) });
  }
  return <Shelf sets={sets} folded={found.folded} broken={broken} />;
}

import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { type Broken, type Folded, Shelf } from '../shelf/shelf.tsx';
import { listSets, type StoredSet } from '../store/sets.ts';
import { isTrouble } from '../store/trouble.ts';
import { reading, Trouble } from './open.tsx';

export const dynamic = 'force-dynamic';

/** Sets laid out at once, those changed last; of the others the page carries the titles. */
const laidOut = 10;

export default async function ShelfPage() {
  const found = await reading('shelf', listSets);
  if (isTrouble(found)) return <Trouble message={found.message} />;
  const sets: StoredSet[] = [];
  const broken: Broken[] = [];
  // A set that was stored by hand, or by an older Arbeit, may not be readable any more: that is one line, not the page.
  for (const set of found) {
    const result = readDocument(set.document, kinds);
    if (result.ok) sets.push({ ...set, document: result.document });
    else broken.push({ id: set.id, faults: result.faults.map(({ path, message }) => `${path}: ${message}`) });
  }
  const folded = sets.slice(laidOut).map(
    ({ id, document }): Folded => ({
      id,
      title: document.title,
      fields: document.fields.length,
    }),
  );
  return <Shelf sets={sets.slice(0, laidOut)} folded={folded} broken={broken} />;
}

import { Shelf } from '../shelf/shelf.tsx';
import { listSets } from '../store/sets.ts';
import { store } from '../store/store.ts';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  return <Shelf sets={await listSets(await store())} />;
}

import { notFound } from 'next/navigation';
import { RevisionsSheet } from '../../../../screens/revisions/revisions-sheet.tsx';
import { droppedOf, listRevisions } from '../../../../store/revisions.ts';
import { isStoreError } from '../../../../store/store-error.ts';
import * as words from '../../../../words/app/sets-revisions-page.ts';
import { readFromStore, StoreErrorMessage } from '../../../read-from-store.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata = { title: words.revisions };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** The revisions of a set: to be named, viewed, restored, and compared by behaviour. */
export default async function RevisionsPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isStoreError(set)) return <StoreErrorMessage message={set.message} />;
  const found = await readFromStore('list revisions', async (db) => ({
    revisions: await listRevisions(db, set.key),
    dropped: (await droppedOf(db, set.key)).revisions,
  }));
  if (isStoreError(found)) return <StoreErrorMessage message={found.message} />;
  return <RevisionsSheet stored={set} {...found} />;
}

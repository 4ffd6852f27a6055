import { notFound } from 'next/navigation';
import { RevisionsSheet } from '../../../../screens/revisions/revisions-sheet.tsx';
import { droppedOf, listRevisions } from '../../../../store/revisions.ts';
import { isTrouble } from '../../../../store/trouble.ts';
import { reading, Trouble } from '../../../open.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Revisions' };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** The revisions of a set: named, looked at, brought back, and compared by what they do. */
export default async function RevisionsPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isTrouble(set)) return <Trouble message={set.message} />;
  const found = await reading('list revisions', async (db) => ({
    revisions: await listRevisions(db, set.key),
    dropped: (await droppedOf(db, set.key)).revisions,
  }));
  if (isTrouble(found)) return <Trouble message={found.message} />;
  return <RevisionsSheet stored={set} {...found} />;
}

import { notFound } from 'next/navigation';
import { RevisionsSheet } from '../../../../revisions/revisions-sheet.tsx';
import { listRevisions } from '../../../../store/revisions.ts';
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
  const revisions = await reading('list revisions', (db) => listRevisions(db, set.id));
  if (isTrouble(revisions)) return <Trouble message={revisions.message} />;
  return <RevisionsSheet stored={set} revisions={revisions} />;
}

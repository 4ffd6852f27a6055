import { notFound } from 'next/navigation';
import { TrialsSheet } from '../../../../screens/trials/trials-sheet.tsx';
import { isTrouble } from '../../../../store/trouble.ts';
import { Trouble } from '../../../open.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Trials' };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** The trials of a set: whether they hold, and which breaks they would not catch. */
export default async function TrialsPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isTrouble(set)) return <Trouble message={set.message} />;
  return <TrialsSheet stored={set} />;
}

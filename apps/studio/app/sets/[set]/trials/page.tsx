import { notFound } from 'next/navigation';
import { TrialsSheet } from '../../../../screens/trials/trials-sheet.tsx';
import { isStoreError } from '../../../../store/store-error.ts';
import * as words from '../../../../words/app/sets-trials-page.ts';
import { StoreErrorMessage } from '../../../read-from-store.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata = { title: words.trials };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** The trials of a set: whether they pass, and which mutations they would not catch. */
export default async function TrialsPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isStoreError(set)) return <StoreErrorMessage message={set.message} />;
  return <TrialsSheet stored={set} />;
}

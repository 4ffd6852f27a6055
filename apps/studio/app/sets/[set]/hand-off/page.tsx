import { notFound } from 'next/navigation';
import { HandOffSheet } from '../../../../screens/handoff/hand-off-sheet.tsx';
import { isStoreError } from '../../../../store/store-error.ts';
import * as words from '../../../../words/app/sets-hand-off-page.ts';
import { StoreErrorMessage } from '../../../read-from-store.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata = { title: words.handOff };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** The hand-off of a set. */
export default async function HandOffPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isStoreError(set)) return <StoreErrorMessage message={set.message} />;
  return <HandOffSheet stored={set} />;
}

import { notFound } from 'next/navigation';
import { Catalogue } from '../../../../screens/texts/catalogue.tsx';
import { isStoreError } from '../../../../store/store-error.ts';
import * as words from '../../../../words/app/sets-texts-page.ts';
import { StoreErrorMessage } from '../../../read-from-store.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata = { title: words.texts };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** Every text of a set, in every language it has. */
export default async function TextsPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isStoreError(set)) return <StoreErrorMessage message={set.message} />;
  return <Catalogue stored={set} />;
}

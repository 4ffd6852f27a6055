import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { differences } from '../../../../model/differences.ts';
import { type RefusedVersion, RefusedVersions } from '../../../../screens/set/refused-versions.tsx';
import { findRefused, listRefused } from '../../../../store/refusing.ts';
import { droppedOf } from '../../../../store/revisions.ts';
import { isStoreError } from '../../../../store/store-error.ts';
import * as words from '../../../../words/app/sets-refused-page.ts';
import { readFromStore, StoreErrorMessage } from '../../../read-from-store.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: words.conflictingSaves };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** Refused versions of a set that nobody has decided on: the differences of each, and how to restore it. */
export default async function RefusedPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isStoreError(set)) return <StoreErrorMessage message={set.message} />;
  const found = await readFromStore('list refused saves', async (db) => {
    const versions: RefusedVersion[] = [];
    for (const refused of await listRefused(db, set.key)) {
      const document = await findRefused(db, set.key, refused.kept);
      if (document) versions.push({ ...refused, document, differs: differences(set.document, document) });
    }
    return { versions, dropped: (await droppedOf(db, set.key)).refused };
  });
  if (isStoreError(found)) return <StoreErrorMessage message={found.message} />;
  return <RefusedVersions stored={set} {...found} />;
}

import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import '../../../../../screens/desk.css';
import { DeskFor } from '../../../../../screens/desk/desks.tsx';
import { isStoreError } from '../../../../../store/store-error.ts';
import * as words from '../../../../../words/app/sets-fields-page.ts';
import { StoreErrorMessage } from '../../../../read-from-store.tsx';
import { readSet } from '../../../read-set.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly params: Promise<{ readonly set: string; readonly field: string }>;
}

async function load({ params }: Props) {
  const { set: setId, field: fieldId } = await params;
  const set = await readSet(setId);
  if (isStoreError(set)) return set;
  const field = set?.document.fields.find((candidate) => candidate.id === fieldId);
  return set && field ? { set, field } : undefined;
}

export async function generateMetadata(props: Props): Promise<Metadata> {
  const found = await load(props);
  return { title: found && 'field' in found ? found.field.label : words.notFound };
}

export default async function DeskPage(props: Props) {
  const found = await load(props);
  if (!found) notFound();
  if (isStoreError(found)) return <StoreErrorMessage message={found.message} />;
  const { set, field } = found;
  return <DeskFor key={`${set.id}/${field.id}`} kind={field.kind} stored={set} fieldId={field.id} />;
}

import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Desk } from '../../../../../desk/desk.tsx';
import { findSet } from '../../../../../store/sets.ts';
import { store } from '../../../../../store/store.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly params: Promise<{ readonly set: string; readonly field: string }>;
}

async function load({ params }: Props) {
  const { set: setId, field: fieldId } = await params;
  const set = await findSet(await store(), setId);
  const field = set?.document.fields.find((candidate) => candidate.id === fieldId);
  return set && field ? { set, field } : undefined;
}

export async function generateMetadata(props: Props): Promise<Metadata> {
  const found = await load(props);
  return { title: found ? found.field.label : 'Not found' };
}

export default async function DeskPage(props: Props) {
  const found = await load(props);
  if (!found) notFound();
  return <Desk key={`${found.set.id}/${found.field.id}`} stored={found.set} fieldId={found.field.id} />;
}

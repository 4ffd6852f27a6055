import { notFound } from 'next/navigation';
import { compileField } from '../../../../../../../engine/compile/compile.ts';
import { FieldAlone } from '../../../../../../desk/field-alone.tsx';
import { findSet } from '../../../../../../store/sets.ts';
import { store } from '../../../../../../store/store.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly params: Promise<{ readonly set: string; readonly field: string }>;
}

/** One field on a page of its own, as an end user meets it: for a real phone, a screen reader, and the tapes. */
export default async function AlonePage({ params }: Props) {
  const { set: setId, field: fieldId } = await params;
  const set = await findSet(await store(), setId);
  const field = set?.document.fields.find((candidate) => candidate.id === fieldId);
  if (!set || !field) notFound();
  return <FieldAlone field={compileField(field, set.document)} />;
}

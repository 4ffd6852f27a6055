import { notFound } from 'next/navigation';
import { compileField } from '../../../../../../../engine/compile/compile.ts';
import { FieldsAlone } from '../../../../../../desk/fields-alone.tsx';
import { findSet } from '../../../../../../store/sets.ts';
import { store } from '../../../../../../store/store.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly params: Promise<{ readonly set: string; readonly field: string }>;
}

/** One field on a page of its own: for a real phone, a screen reader, and the tapes. */
export default async function AlonePage({ params }: Props) {
  const { set: setId, field: fieldId } = await params;
  const set = await findSet(await store(), setId);
  const field = set?.document.fields.find((candidate) => candidate.id === fieldId);
  if (!set || !field) notFound();
  const compiled = compileField(field, set.document);
  return <FieldsAlone title={compiled.label} fields={[compiled]} />;
}

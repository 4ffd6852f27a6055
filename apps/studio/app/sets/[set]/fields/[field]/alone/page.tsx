import { compileField } from '@arbeit/engine/document';
import { dehydrate } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { languages } from '@arbeit/engine/rules';
import { isDate } from '@arbeit/engine/values';
import { notFound } from 'next/navigation';
import { todayIn } from '../../../../../../model/clock.ts';
import { FieldAlone } from '../../../../../../screens/desk/field-alone.tsx';
import { isStoreError } from '../../../../../../store/store-error.ts';
import { StoreErrorMessage } from '../../../../../read-from-store.tsx';
import { readSet } from '../../../../read-set.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly searchParams: Promise<{ readonly today?: string }>;
  readonly params: Promise<{ readonly set: string; readonly field: string }>;
}

/** One field on a page of its own: for a real phone, a screen reader, and the tapes. */
export default async function AlonePage({ params, searchParams }: Props) {
  const { today } = await searchParams;
  const { set: setId, field: fieldId } = await params;
  const set = await readSet(setId);
  if (isStoreError(set)) return <StoreErrorMessage message={set.message} />;
  const field = set?.document.fields.find((candidate) => candidate.id === fieldId);
  if (!set || !field) notFound();
  const compiled = compileField(field, set.document, kinds, languages);
  return <FieldAlone today={isDate(today ?? '') ? today : todayIn(set.id)} field={dehydrate(compiled)} />;
}

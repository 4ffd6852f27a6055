import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { formOf } from '../../../../../model/form-edits.ts';
import { FormSheet } from '../../../../../screens/form/form-sheet.tsx';
import { isStoreError } from '../../../../../store/store-error.ts';
import * as words from '../../../../../words/app/sets-forms-page.ts';
import { StoreErrorMessage } from '../../../../read-from-store.tsx';
import { readSet } from '../../../read-set.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly params: Promise<{ readonly set: string; readonly form: string }>;
}

async function load({ params }: Props) {
  const { set: setId, form: formId } = await params;
  const set = await readSet(setId);
  if (isStoreError(set)) return set;
  const form = set && formOf(set.document, formId);
  return set && form ? { set, form } : undefined;
}

export async function generateMetadata(props: Props): Promise<Metadata> {
  const found = await load(props);
  return { title: found && 'form' in found ? (found.form.title ?? found.form.id) : words.notFound };
}

export default async function FormPage(props: Props) {
  const found = await load(props);
  if (!found) notFound();
  if (isStoreError(found)) return <StoreErrorMessage message={found.message} />;
  return <FormSheet key={found.form.id} stored={found.set} formId={found.form.id} />;
}

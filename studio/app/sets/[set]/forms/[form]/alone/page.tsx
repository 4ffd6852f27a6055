import { compile } from '@arbeit/engine/document';
import { closed } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { isDate } from '@arbeit/engine/values';
import { notFound } from 'next/navigation';
import { todayIn } from '../../../../../../definition/clock.ts';
import { FieldsAlone } from '../../../../../../desk/fields-alone.tsx';
import { isTrouble } from '../../../../../../store/trouble.ts';
import { Trouble } from '../../../../../open.tsx';
import { readSet } from '../../../../read-set.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly searchParams: Promise<{ readonly today?: string }>;
  readonly params: Promise<{ readonly set: string; readonly form: string }>;
}

/** The fields of a form, live, on a page of their own. */
export default async function FormAlonePage({ params, searchParams }: Props) {
  const { today } = await searchParams;
  const { set: setId, form: formId } = await params;
  const set = await readSet(setId);
  if (isTrouble(set)) return <Trouble message={set.message} />;
  const form = set && compile(set.document, kinds).forms.find((candidate) => candidate.id === formId);
  if (!form) notFound();
  return (
    <FieldsAlone
      today={isDate(today ?? '') ? today : todayIn(setId)}
      title={form.title}
      fields={form.fields.map((field) => closed(field))}
    />
  );
}

import { compile } from '@arbeit/engine/document';
import { dehydrate } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { isDate } from '@arbeit/engine/values';
import { notFound } from 'next/navigation';
import { todayIn } from '../../../../../../model/clock.ts';
import { sectionsOf } from '../../../../../../model/form-edits.ts';
import { FormAlone } from '../../../../../../screens/form/form-alone.tsx';
import { isStoreError } from '../../../../../../store/store-error.ts';
import { StoreErrorMessage } from '../../../../../read-from-store.tsx';
import { readSet } from '../../../../read-set.ts';

export const dynamic = 'force-dynamic';

interface Props {
  readonly searchParams: Promise<Readonly<Record<string, string | readonly string[] | undefined>>>;
  readonly params: Promise<{ readonly set: string; readonly form: string }>;
}

/** A form on a page of its own. `?today=` sets its date; any other name is a field and its initial value. */
export default async function FormAlonePage({ params, searchParams }: Props) {
  const { today, ...query } = await searchParams;
  const { set: setId, form: formId } = await params;
  const set = await readSet(setId);
  if (isStoreError(set)) return <StoreErrorMessage message={set.message} />;
  const form = set && compile(set.document, kinds).forms.find((candidate) => candidate.id === formId);
  const document = set?.document.forms?.find((candidate) => candidate.id === formId);
  if (!form || !document) notFound();
  const { id, title, submit, completes, unanswered, rules } = form;
  const prefill = Object.fromEntries(
    Object.entries(query).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])),
  );
  return (
    <FormAlone
      setKey={set.key}
      today={typeof today === 'string' && isDate(today) ? today : todayIn(set.id)}
      compiled={{
        id,
        title,
        submit,
        completes,
        unanswered,
        rules,
        sections: sectionsOf(document),
        fields: form.fields.map((field) => dehydrate(field)),
      }}
      prefill={prefill}
    />
  );
}

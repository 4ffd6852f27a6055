'use client';

import { checks } from '@arbeit/engine/checks';
import { compile, type SetDocument } from '@arbeit/engine/document';
import { dehydrate, hydrateAny } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { runs } from '@arbeit/engine/runs';
import { useField } from '@arbeit/react';
import { useMemo } from 'react';
import { useOwnOutcomes, withCustomCode } from '../../field/custom-code/use-custom-code.ts';
import { PlainField } from '../../field/plain-field.tsx';
import * as words from '../../words/revisions/looked-at.ts';

/** A set at a revision: each of its fields is live. */
export function LookedAt({
  document,
  title,
  today,
}: {
  readonly document: SetDocument;
  readonly title: string;
  readonly today: string;
}) {
  const fields = useMemo(
    () =>
      compile(document, kinds).fields.map((field) =>
        withCustomCode(hydrateAny(dehydrate(field), runs, checks)),
      ),
    [document],
  );
  return (
    <section aria-label={words.asItWas(title)} className="looked-at">
      {fields.length === 0 && <p className="text-faint">{words.thisRevisionHasNoFields}</p>}
      {fields.map((field) => (
        <Was key={field.id} field={field} today={today} />
      ))}
    </section>
  );
}

function Was({ field, today }: { readonly field: ReturnType<typeof hydrateAny>; readonly today: string }) {
  const live = useField(field, { today });
  useOwnOutcomes(live.store);
  return <PlainField field={live} today={today} />;
}

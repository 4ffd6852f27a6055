'use client';

import type { Field } from '@arbeit/react';
import { assumedInWords } from '../../model/assumed.ts';

/** The typed value, in one line. */
export function Facts({ field }: { readonly field: Field }) {
  const { evaluation, state } = field;
  return (
    <dl className="sticky left-0 mt-1 flex min-h-6 max-w-[calc(100vw-3rem)] flex-wrap gap-x-6 text-sm">
      <Told name="raw" text={evaluation.raw} />
      <Told name="value" text={evaluation.value ?? 'null'} />
      {Object.entries(field.facts).map(([name, text]) => (
        <Told key={name} name={name} text={text} />
      ))}
      {state.body.assumed && <Told name="read as" text={assumedInWords(state.body.assumed)} />}
    </dl>
  );
}

function Told({ name, text }: { readonly name: string; readonly text: string }) {
  return (
    <div className="flex gap-1.5">
      <dt className="text-faint">{name}:</dt>
      <dd className="value">{text.replaceAll('\n', '↵') || '–'}</dd>
    </div>
  );
}

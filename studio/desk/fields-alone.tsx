'use client';

import type { FieldStore } from '@arbeit/dom';
import { checks } from '@arbeit/engine/checks';
import type { CompiledField } from '@arbeit/engine/field';
import { openAny } from '@arbeit/engine/field';
import { openForm } from '@arbeit/engine/form';
import { runs } from '@arbeit/engine/runs';
import { useField, useForm } from '@arbeit/react';
import { useState } from 'react';
import { Alive } from '../sheet/alive.tsx';
import { assumedInWords } from '../sheet/assumed.ts';
import { PlainField } from '../sheet/plain-field.tsx';

/** Fields in a real form, as an end user meets them: submit shows what a program would receive, reset begins again. */
export function FieldsAlone({
  title,
  fields: compiled,
  today,
}: {
  readonly title: string;
  readonly today?: string | undefined;
  /** As data: they come from the server. */
  readonly fields: readonly CompiledField[];
}) {
  const [form] = useState(() =>
    openForm({ id: 'alone', title, fields: compiled.map((field) => openAny(field, runs, checks)) }),
  );
  const { store, formProps } = useForm(form, { today });
  const { fields } = form;
  const [received, setReceived] = useState<readonly (readonly [string, string])[]>([]);
  return (
    <main className="mx-auto max-w-md px-6 py-12">
      <h1 className={fields.length > 1 ? 'mb-6 text-2xl' : 'sr-only'}>{title}</h1>
      <form
        {...formProps}
        onSubmit={(event) => {
          event.preventDefault();
          const entries = [...new FormData(event.currentTarget)].map(
            ([name, value]) => [name, String(value)] as const,
          );
          setReceived(event.currentTarget.checkValidity() ? entries : []);
        }}
        onReset={() => setReceived([])}
      >
        {fields.map((field) => (
          <Alone key={field.id} store={store.field(field.id)} today={today} />
        ))}
        <div className="mt-3 flex gap-4">
          <button type="submit" className="solid-button">
            Submit
          </button>
          <button type="reset" className="word-button">
            Reset
          </button>
        </div>
        <div className="mt-4 min-h-6" role="status">
          {received.map(([name, value]) => (
            <p key={name}>
              Received {name}: <output className="value font-bold">{value}</output>
            </p>
          ))}
        </div>
      </form>
      <Alive />
    </main>
  );
}

function Alone({ store, today }: { readonly store: FieldStore; readonly today: string | undefined }) {
  const { field } = store;
  const live = useField(field, { store });
  const { rejected, leftOut } = live.state;
  return (
    <div data-field={field.id}>
      <PlainField field={live} today={today} />
      <p
        className="min-h-6 text-sm text-faint"
        role="status"
        data-rejected={rejected ?? ''}
        data-left-out={leftOut}
      >
        {rejected ? `Not taken: ${rejected}. ` : leftOut ? `Left out: ${leftOut}. ` : ''}
        {live.state.body.assumed ? `Read as ${assumedInWords(live.state.body.assumed)}.` : ''}
      </p>
    </div>
  );
}

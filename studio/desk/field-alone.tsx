'use client';

import { useState } from 'react';
import type { CompiledField } from '../../engine/run/plan.ts';
import { useField } from '../../react/use-field.ts';
import { PlainField } from '../sheet/plain-field.tsx';

/** One field in a real form: submit shows what a program would receive, reset goes back to the start. */
export function FieldAlone({ field }: { readonly field: CompiledField }) {
  const live = useField(field);
  const [received, setReceived] = useState<string | null>(null);
  const { rejected, leftOut } = live.state;
  return (
    <main className="mx-auto max-w-md px-6 py-12">
      <h1 className="sr-only">{field.label}</h1>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          const form = event.currentTarget;
          setReceived(form.checkValidity() ? String(new FormData(form).get(field.id)) : null);
        }}
        onReset={() => setReceived(null)}
      >
        <PlainField field={live} />
        <p className="min-h-6 text-sm text-faint" role="status" data-report="">
          {rejected ? `Not taken: ${rejected}.` : leftOut ? `Left out: ${leftOut}` : ''}
        </p>
        <div className="mt-3 flex gap-4">
          <button type="submit" className="solid-button">
            Submit
          </button>
          <button type="reset" className="word-button">
            Reset
          </button>
        </div>
        <p className="mt-4 min-h-6" role="status">
          {received !== null && (
            <>
              Received: <output className="value font-bold">{received}</output>
            </>
          )}
        </p>
      </form>
    </main>
  );
}

'use client';

import type { FieldStore } from '@arbeit/dom';
import { checks } from '@arbeit/engine/checks';
import type { CompiledField } from '@arbeit/engine/field';
import { hydrateAny } from '@arbeit/engine/field';
import { hydrateAlone } from '@arbeit/engine/form';
import { runs } from '@arbeit/engine/runs';
import { useField, useForm } from '@arbeit/react';
import { useState } from 'react';
import { useOwnOutcomes, withCustomCode } from '../../field/custom-code/use-custom-code.ts';
import { PlainField } from '../../field/plain-field.tsx';
import { takenData, takenInWords } from '../../field/taken.ts';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import * as words from '../../words/desk/field-alone.ts';

/**
 * A field in a real form of its own, as a user sees it: submit shows what a program would receive, reset
 * starts over.
 */
export function FieldAlone({
  field: compiled,
  today,
}: {
  readonly today?: string | undefined;
  /** As data, because it comes from the server. */
  readonly field: CompiledField;
}) {
  const [form] = useState(() => hydrateAlone(withCustomCode(hydrateAny(compiled, runs, checks))));
  const { store, sending, formProps } = useForm(form, { today });
  const [received, setReceived] = useState<readonly (readonly [string, string])[]>([]);
  const isHeldBack = sending.is === 'no' && sending.wrong !== undefined;
  return (
    <main className="mx-auto max-w-md px-6 py-12">
      <h1 className="sr-only">{compiled.label}</h1>
      <form
        {...formProps}
        onSubmit={(event) => {
          event.preventDefault();
          const entries = [...new FormData(event.currentTarget)].map(
            ([name, value]) => [name, String(value)] as const,
          );
          setReceived(entries);
        }}
        onReset={() => setReceived([])}
      >
        <Alone store={store.field(compiled.id)} today={today} />
        <div className="mt-3 flex gap-4">
          <button type="submit" className="solid-button">
            {words.submit}
          </button>
          <button type="reset" className="word-button">
            {words.reset}
          </button>
        </div>
        <div className="mt-4 min-h-6" role="status">
          {(isHeldBack ? [] : received).map(([name, value]) => (
            <p key={name}>
              {words.received(name)} <output className="value font-bold">{value}</output>
            </p>
          ))}
        </div>
      </form>
      <HydrationMarker />
    </main>
  );
}

function Alone({ store, today }: { readonly store: FieldStore; readonly today: string | undefined }) {
  const { field } = store;
  const live = useField(field, { store });
  useOwnOutcomes(store);
  return (
    <div data-field={field.id}>
      <PlainField field={live} today={today} />
      <p className="min-h-6 text-sm text-faint" role="status" {...takenData(live)}>
        {takenInWords(live.state)}
      </p>
    </div>
  );
}

'use client';

import type { FormStore } from '@arbeit/dom';
import { checks } from '@arbeit/engine/checks';
import type { SectionDocument } from '@arbeit/engine/document';
import { type CompiledField, hydrateAny } from '@arbeit/engine/field';
import { type FormManner, type FormRule, hydrateForm } from '@arbeit/engine/form';
import { runs } from '@arbeit/engine/runs';
import { useForm } from '@arbeit/react';
import { useMemo, useState } from 'react';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { driveForm, sendTo } from './drive.ts';
import './form.css';
import * as words from '../../words/form/form-alone.ts';
import { useFormOutcomes, withCode } from './form-code.ts';
import { LiveForm } from './live-form.tsx';

/** A form as data, because it comes from the server. */
export interface CompiledForm extends FormManner {
  readonly id: string;
  readonly title: string;
  readonly fields: readonly CompiledField[];
  readonly rules: readonly FormRule[];
  readonly sections: readonly SectionDocument[];
}

/** A form on a page of its own, as a user sees it. `prefill`: initial values by field. */
export function FormAlone({
  setKey,
  compiled,
  today,
  prefill,
}: {
  readonly setKey: string;
  readonly compiled: CompiledForm;
  readonly today: string | undefined;
  readonly prefill: Readonly<Record<string, string>>;
}) {
  const [open] = useState(() =>
    withCode(
      hydrateForm({ ...compiled, fields: compiled.fields.map((field) => hydrateAny(field, runs, checks)) }),
    ),
  );
  const drive = useMemo(
    () => (store: FormStore) => {
      for (const [field, text] of Object.entries(prefill))
        if (open.places.has(field) && !store.evaluation(field).raw)
          store.dispatch({ type: 'field', field, event: { type: 'set', text } });
      return driveForm(store);
    },
    [prefill, open],
  );
  const send = useMemo(() => sendTo(setKey, compiled.id), [setKey, compiled.id]);
  const form = useForm(open, { today, drive, send });
  useFormOutcomes(form.store);
  const { sending } = form;
  const record = 'record' in sending ? sending.record : undefined;
  return (
    <main className="mx-auto max-w-3xl px-6 py-10">
      <h1 className="mb-4 text-2xl">{compiled.title}</h1>
      <LiveForm
        form={form}
        open={open}
        sections={compiled.sections}
        today={today}
        onCancel={() => window.location.assign(`/sets/${setKey}/forms/${compiled.id}`)}
      />
      {sending.is === 'sent' && record && (
        <div className="text-sm">
          {Object.entries(record.values).map(([name, value]) => (
            <p key={name}>
              {words.received(name)} <output className="value font-bold">{value ?? words.nothing}</output>
            </p>
          ))}
        </div>
      )}
      <HydrationMarker />
    </main>
  );
}

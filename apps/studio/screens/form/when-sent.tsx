'use client';

import type { FormDocument } from '@arbeit/engine/document';
import type { HydratedForm } from '@arbeit/engine/form';
import { useId } from 'react';
import type { ChangeForm } from '../../model/form-edits.ts';

/** When the form can be submitted, in three sentences to choose from. */
export function WhenSent({
  form,
  open,
  onChange,
}: {
  readonly form: FormDocument;
  readonly open: HydratedForm;
  readonly onChange: ChangeForm;
}) {
  const id = useId();
  return (
    <section aria-label="Submission">
      <h2 className="caption">Submission</h2>
      <p className="form-choice">
        <label htmlFor={`${id}-submit`}>Submit button</label>
        <select
          id={`${id}-submit`}
          className="entry"
          value={open.submit}
          onChange={({ target }) =>
            onChange(({ submit: _, ...f }) =>
              target.value === 'always' ? f : { ...f, submit: 'when-ready' },
            )
          }
        >
          <option value="always">always enabled</option>
          <option value="when-ready">disabled until valid</option>
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-completes`}>Auto-submit</label>
        <select
          id={`${id}-completes`}
          className="entry"
          value={form.completes ?? ''}
          onChange={({ target }) =>
            onChange(({ completes: _, ...f }) => (target.value ? { ...f, completes: target.value } : f))
          }
        >
          <option value="">never</option>
          {open.fields.map(({ id: field, label }) => (
            <option key={field} value={field}>
              after “{label}”{' '}
            </option>
          ))}
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-unanswered`}>If a server check fails to respond</label>
        <select
          id={`${id}-unanswered`}
          className="entry"
          value={open.unanswered}
          onChange={({ target }) =>
            onChange(({ unanswered: _, ...f }) =>
              target.value === 'hold' ? f : { ...f, unanswered: 'let-through' },
            )
          }
        >
          <option value="hold">block submission</option>
          <option value="let-through">submit anyway</option>
        </select>
      </p>
    </section>
  );
}

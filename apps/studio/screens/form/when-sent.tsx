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
    <section aria-label="How it is sent">
      <h2 className="caption">How it is sent</h2>
      <p className="form-choice">
        <label htmlFor={`${id}-submit`}>Submit</label>
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
          <option value="always">goes to the first wrong field</option>
          <option value="when-ready">is held back until all is right</option>
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-completes`}>By itself</label>
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
              with “{label}”
            </option>
          ))}
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-unanswered`}>Without an answer</label>
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
          <option value="hold">it is held back</option>
          <option value="let-through">it goes all the same</option>
        </select>
      </p>
    </section>
  );
}

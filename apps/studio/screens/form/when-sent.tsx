'use client';

import type { FormDocument } from '@arbeit/engine/document';
import type { HydratedForm } from '@arbeit/engine/form';
import { useId } from 'react';
import type { ChangeForm } from '../../model/form-edits.ts';
import * as words from '../../words/form/when-sent.ts';

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
    <section aria-label={words.submission}>
      <h2 className="caption">{words.submission}</h2>
      <p className="form-choice">
        <label htmlFor={`${id}-submit`}>{words.submitButton}</label>
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
          <option value="always">{words.alwaysEnabled}</option>
          <option value="when-ready">{words.disabledUntilValid}</option>
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-completes`}>{words.autoSubmit}</label>
        <select
          id={`${id}-completes`}
          className="entry"
          value={form.completes ?? ''}
          onChange={({ target }) =>
            onChange(({ completes: _, ...f }) => (target.value ? { ...f, completes: target.value } : f))
          }
        >
          <option value="">{words.never}</option>
          {open.fields.map(({ id: field, label }) => (
            <option key={field} value={field}>
              {words.after(label)}{' '}
            </option>
          ))}
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-unanswered`}>{words.ifAServerCheckFails}</label>
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
          <option value="hold">{words.blockSubmission}</option>
          <option value="let-through">{words.submitAnyway}</option>
        </select>
      </p>
    </section>
  );
}

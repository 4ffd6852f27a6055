'use client';

import type { FormDocument } from '@arbeit/engine/document';
import type { HydratedForm } from '@arbeit/engine/form';
import type { ChangeForm } from '../../model/form-edits.ts';
import { WordSelect } from '../../ui/word-select.tsx';
import * as words from '../../words/form/when-sent.ts';

/** When the form can be submitted, as sentences with choices. */
export function WhenSent({
  form,
  open,
  onChange,
}: {
  readonly form: FormDocument;
  readonly open: HydratedForm;
  readonly onChange: ChangeForm;
}) {
  return (
    <section aria-label={words.submission}>
      <h2 className="caption">{words.submission}</h2>
      <p className="sentence">
        <span>{words.theSubmitButtonIs}</span>
        <WordSelect
          label={words.submitButton}
          value={open.submit}
          choices={{ always: words.alwaysEnabled, 'when-ready': words.disabledUntilValid }}
          onChange={(to) =>
            onChange(({ submit: _, ...f }) => (to === 'always' ? f : { ...f, submit: 'when-ready' }))
          }
        />
      </p>
      <p className="sentence">
        <span>{words.theFormSubmitsItself}</span>
        <WordSelect
          label={words.autoSubmit}
          value={form.completes ?? ''}
          choices={{
            '': words.never,
            ...Object.fromEntries(open.fields.map(({ id, label }) => [id, words.after(label)])),
          }}
          onChange={(to) => onChange(({ completes: _, ...f }) => (to ? { ...f, completes: to } : f))}
        />
      </p>
      <p className="sentence">
        <span>{words.withoutAnAnswer}</span>
        <WordSelect
          label={words.ifAServerCheckFails}
          value={open.unanswered}
          choices={{ hold: words.blockSubmission, 'let-through': words.submitAnyway }}
          onChange={(to) =>
            onChange(({ unanswered: _, ...f }) => (to === 'hold' ? f : { ...f, unanswered: 'let-through' }))
          }
        />
      </p>
    </section>
  );
}

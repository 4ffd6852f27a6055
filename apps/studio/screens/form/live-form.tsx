'use client';

import type { FieldStore, FormStore } from '@arbeit/dom';
import type { SectionDocument } from '@arbeit/engine/document';
import { fieldName } from '@arbeit/engine/field';
import type { HydratedForm } from '@arbeit/engine/form';
import { type Form, useField } from '@arbeit/react';
import { memo, type ReactNode, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { PlainField } from '../../field/plain-field.tsx';
import { takenData, takenInWords } from '../../field/taken.ts';
import { FoundOut } from '../../ui/found-out.tsx';
import * as words from '../../words/form/live-form.tsx';
import { CodeRequest } from './code-request.tsx';

/** What is around the parts of a form where it is arranged. */
export interface AroundParts {
  readonly field: (id: string, field: ReactNode) => ReactNode;
  /** In place of the heading of a section. */
  readonly head: (at: number) => ReactNode;
  /** Below the fields of a section. */
  readonly foot: (at: number, store: FormStore) => ReactNode;
}

/** A form as a user sees it: its sections, its errors as a whole, and its submit button. */
export function LiveForm({
  form,
  open,
  sections,
  today,
  columns = true,
  around,
  onCancel,
}: {
  readonly form: Form;
  readonly open: HydratedForm;
  readonly sections: readonly SectionDocument[];
  readonly today: string | undefined;
  /** Whether two columns may be shown in a section that asks for them. */
  readonly columns?: boolean;
  /** The tools that arrange it; none on the page of its users. It must stay the same while the form does. */
  readonly around?: AroundParts;
  /** Leaves the form; left out if there is nowhere to go. */
  readonly onCancel?: () => void;
}) {
  const { store, formProps } = form;
  useGuard(form);
  return (
    <form {...formProps} aria-label={open.title}>
      {sections.map((section, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: sections have no names of their own
        <fieldset key={i} className="form-section">
          {around
            ? around.head(i)
            : section.title && <legend className="form-legend">{section.title}</legend>}
          <div className="form-fields" data-columns={columns ? (section.columns ?? 1) : 1}>
            {section.fields.map((id) => (
              <InForm key={id} form={store} store={store.field(id)} today={today} around={around} />
            ))}
          </div>
          {around?.foot(i, store)}
        </fieldset>
      ))}
      <Sending form={form} open={open} {...(onCancel ? { onCancel } : {})} />
    </form>
  );
}

/**
 * One field of the form, while it is active. It keeps its place in the page's order, and what was typed into
 * it.
 */
const InForm = memo(function InForm({
  form,
  store,
  today,
  around,
}: {
  readonly form: FormStore;
  readonly store: FieldStore;
  readonly today: string | undefined;
  readonly around: AroundParts | undefined;
}) {
  const { counts } = useSyncExternalStore(store.subscribe, store.evaluation, store.evaluation);
  if (!counts) return null;
  const field = <Counting form={form} store={store} today={today} />;
  return around ? around.field(store.field.id, field) : field;
});

function Counting({
  form,
  store,
  today,
}: {
  readonly form: FormStore;
  readonly store: FieldStore;
  readonly today: string | undefined;
}) {
  const { field } = store;
  const live = useField(field, { store });
  const { evaluation } = live;
  return (
    <div data-field={field.id} className="min-w-0">
      <PlainField
        field={live}
        today={today}
        said={
          <p
            className="text-sm text-faint"
            role="status"
            {...takenData(live)}
            data-pending={evaluation.flags.pending || undefined}
          >
            {takenInWords(live.state)}
            <FoundOut field={live} />
          </p>
        }
      />
      <CodeRequest form={form} field={field.id} />
    </div>
  );
}

/** The submit button and the messages about the form as a whole. Their space is reserved. */
function Sending({
  form,
  open,
  onCancel,
}: {
  readonly form: Form;
  readonly open: HydratedForm;
  readonly onCancel?: () => void;
}) {
  const { sending, isReady, store } = form;
  const [asks, setAsks] = useState(false);
  const isHeld = open.submit === 'when-ready' && !isReady;
  const isBusy = sending.is === 'waiting' || sending.is === 'sending';
  const isDirty = () => open.fields.some(({ id }) => store.evaluation(id).flags.dirty);
  const leave = () => {
    setAsks(false);
    store.dispatch({ type: 'reset' });
    onCancel?.();
  };
  return (
    <>
      <div className="mt-3 flex flex-wrap items-baseline gap-4">
        <button type="submit" className="solid-button" disabled={isHeld || isBusy}>
          {sending.is === 'waiting' ? words.waiting : sending.is === 'sending' ? words.sending : words.submit}
        </button>
        <button type="reset" className="word-button">
          {words.reset}
        </button>
        {onCancel && (
          <button type="button" className="word-button" onClick={() => (isDirty() ? setAsks(true) : leave())}>
            {words.cancel}
          </button>
        )}
        {asks && (
          <span role="status" className="flex items-baseline gap-3 text-sm">
            {words.discardWhatYouEntered}
            <button type="button" className="word-button" onClick={leave}>
              {words.discard}
            </button>
            <button type="button" className="word-button" onClick={() => setAsks(false)}>
              {words.keepEditing}
            </button>
          </span>
        )}
      </div>
      <div className="mt-2 min-h-14 text-sm" role="status" data-sending={sending.is}>
        {isHeld && sending.is === 'no' && <p className="text-faint">{words.completeAllFieldsToSubmit}</p>}
        {sending.is === 'waiting' && <p>{words.waitingForAServerCheck}</p>}
        {sending.is === 'sent' && <p className="text-oxide">{words.submitted}</p>}
        {sending.is === 'no' && sending.failed && <p className="text-brick">{words.theServerCould}</p>}
        {sending.is === 'no' && sending.said && <p className="text-brick">{sending.said}</p>}
        {sending.is === 'no' && sending.wrong !== undefined && <Summary form={form} open={open} />}
      </div>
    </>
  );
}

/** The invalid fields, each as a link to it. */
function Summary({ form: { store }, open }: { readonly form: Form; readonly open: HydratedForm }) {
  const wrong = open.fields.filter(({ id }) => {
    const { counts, flags } = store.evaluation(id);
    return counts && !flags.valid;
  });
  if (wrong.length === 0) return <p className="text-oxide">{words.allFieldsAreValid}</p>;
  return (
    <p className="text-brick">
      {words.needAttention(
        wrong.length,
        wrong.map(({ id, name, label }, i) => (
          <span key={id}>
            {i > 0 && ', '}
            <button
              type="button"
              className="word-button"
              onClick={(event) => {
                const control = event.currentTarget.form?.elements.namedItem(fieldName({ id, name }));
                if (control instanceof HTMLElement) control.focus();
                else if (control instanceof RadioNodeList && control[0] instanceof HTMLElement)
                  control[0].focus();
              }}
            >
              {label}
            </button>
          </span>
        )),
      )}
    </p>
  );
}

/** Asks before a reload or a closed window would lose what was filled in and not submitted. */
function useGuard({ store, sending }: Form): void {
  const isSent = useRef(false);
  isSent.current = sending.is === 'sent';
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent) => {
      const isDirty = store.form.fields.some(({ id }) => store.evaluation(id).flags.dirty);
      if (isDirty && !isSent.current) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [store]);
}

'use client';

import { carryOver, localToday } from '@arbeit/dom';
import { compile, type FormDocument, type SetDocument } from '@arbeit/engine/document';
import { fieldName } from '@arbeit/engine/field';
import type { FormRecord, HydratedForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { type Form, useForm } from '@arbeit/react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import { KindsProvider } from '../../field/kinds-provider.tsx';
import { todayIn } from '../../model/clock.ts';
import {
  addFormRule,
  type ChangeForm,
  changeForm,
  formOf,
  removeForm,
  sectionsOf,
} from '../../model/form-edits.ts';
import { type EditedSet, useSet } from '../../model/use-set.ts';
import type { StoredSet } from '../../store/sets.ts';
import { useCommands } from '../../ui/commands.tsx';
import { focusSoon } from '../../ui/focus-soon.ts';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { OnPaper } from '../../ui/on-paper.tsx';
import { useUndoKeys } from '../../ui/undo-keys.ts';
import { WordInPlace } from '../../ui/word-in-place.tsx';
import { Masthead } from '../set/masthead.tsx';
import { NewFieldCommand } from '../set/new-field-command.tsx';
import { SaveLine } from '../set/save-line.tsx';
import { useJustMade } from '../set/use-just-made.ts';
import { useOwnId } from '../set/use-own-id.ts';
import { AcrossFields, pairIn } from './across-fields.tsx';
import { useArranging } from './arranging.tsx';
import { Board } from './board.tsx';
import { Conditions } from './conditions.tsx';
import { driveForm, sendTo } from './drive.ts';
import { useFormOutcomes, withCode } from './form-code.ts';
import '../../ui/table.css';
import '../desk.css';
import './form.css';
import * as words from '../../words/form/form-sheet.ts';
import { AllComparedFields, type ComparedFields, linkOf } from './compared-fields.tsx';
import { fillWithSamples } from './fill.ts';
import { type AroundParts, LiveForm } from './live-form.tsx';
import { Manners } from './manners.tsx';
import { Record as SentRecord } from './record.tsx';
import { useNamedTrial } from './use-named-trial.ts';
import { WhenSent } from './when-sent.tsx';

/**
 * The page of a form: fields combined, tried and watched, in bands: the form itself, which messages would
 * show when, and the record.
 */
export function FormSheet({ stored, formId }: { readonly stored: StoredSet; readonly formId: string }) {
  const set = useSet(stored);
  useUndoKeys(set.undo, set.redo);
  const { id, follow } = useOwnId(set, 'forms', formId);
  const present = formOf(set.document, id);
  const form = present ?? formOf(stored.document, formId)!;
  const title = form.title || form.id;
  const { document } = set;
  const open = useMemo(() => openIn(document, form), [document, form]);
  const router = useRouter();
  const remove = useRef<HTMLButtonElement>(null);
  const wasDeleted = useRef(false);
  useEffect(() => {
    if (present && wasDeleted.current) remove.current?.focus();
    wasDeleted.current = !present;
  }, [present]);
  useCommands(words.thisForm, [
    { id: 'shelf', label: words.backToTheShelf, key: 'b', run: () => router.push('/') },
    { id: 'alone', label: words.openTheFormAlone, run: () => router.push(`/sets/${set.key}/forms/${id}/alone`) },
  ]); // biome-ignore format: one command a line
  return (
    <KindsProvider value={kinds}>
      <Masthead setKey={set.key} trail={[{ label: set.document.title, href: '/' }, { label: title }]}>
        <NewFieldCommand set={set} />
        <SaveLine set={set} />
        {present && (
          <a className="word-button" href={`/sets/${set.key}/forms/${id}/alone`}>
            {words.openInItsOwnPage}
          </a>
        )}
        <button
          type="button"
          ref={remove}
          className="word-button"
          disabled={!present}
          onClick={() => void set.editAndSave((d) => removeForm(d, id))}
        >
          {words.deleteForm}
        </button>
      </Masthead>
      {!present ? (
        <Deleted title={title} onBack={set.undo} />
      ) : typeof open === 'string' ? (
        <Unsound why={open} />
      ) : (
        <Sheet set={set} form={form} open={open} onTitleDone={follow} />
      )}
      <HydrationMarker />
    </KindsProvider>
  );
}

/** Shown in place of a form that was deleted. The focus goes to what brings it back. */
function Deleted({ title, onBack }: { readonly title: string; readonly onBack: () => void }) {
  const back = useRef<HTMLButtonElement>(null);
  useEffect(() => back.current?.focus(), []);
  return (
    <main className="desk">
      <h1 className="sr-only">{title}</h1>
      <p role="status" className="py-16">
        {words.formWasDeleted(title)}{' '}
        <button ref={back} type="button" className="word-button" onClick={onBack}>
          {words.bringFormBack}
        </button>{' '}
        <Link href="/" className="word-button">
          {words.backToTheShelf}
        </Link>
      </p>
    </main>
  );
}

const views = { desktop: words.onADesktop, phone: words.onAPhone } as const;

/** The form, ready to be tried; an error message if its definition is no longer consistent. */
function openIn(document: SetDocument, form: FormDocument): HydratedForm | string {
  try {
    return withCode(compile({ ...document, forms: [form] }, kinds).forms[0]!);
  } catch (problem) {
    return problem instanceof Error ? problem.message : String(problem);
  }
}

const Unsound = ({ why }: { readonly why: string }) => (
  <main className="desk">
    <p role="status">{words.thisFormIsNotValid(why)}</p>
  </main>
);

function Sheet({
  set,
  form,
  open,
  onTitleDone,
}: {
  readonly set: EditedSet;
  readonly form: FormDocument;
  readonly open: HydratedForm;
  /** Called when somebody has finished editing the title. */
  readonly onTitleDone: () => void;
}) {
  const { document } = set;
  const today = todayIn(set.id);
  const change: ChangeForm = (edit, about) => set.edit((d) => changeForm(d, form.id, edit), about);
  const send = useMemo(() => sendTo(set.key, form.id), [set.key, form.id]);
  const live = useForm(open, { today, drive: driveForm, send, carry: carryOver });
  const { store, sending } = live;
  useFormOutcomes(store);
  useNamedTrial(document, store);
  useJustMade(set.key, `forms/${form.id}`, '.form-head .word-in-place');
  const around = useRef<HTMLDivElement>(null);
  const [condition, setCondition] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const point = ({ target }: { readonly target: EventTarget }) =>
    setPointed((target as Element).closest('[data-link]')?.getAttribute('data-link') ?? null);
  const unpoint = () => setPointed(null);
  const { parts, dialog } = useArranging(around, {
    set,
    form,
    onCondition: (field) => {
      setCondition(field);
      focusSoon('[data-new-condition] .word-select ~ .word-select select');
    },
    onCompare: (field) => {
      const pair = pairIn(document, open.fields, field);
      if (!pair) return;
      const made = addFormRule(form, pair).rules?.at(-1);
      change((f) => addFormRule(f, pair));
      if (made) focusSoon(`[data-rule="${CSS.escape(made.id)}"] select`);
    },
  });
  const record = 'record' in sending ? sending.record : undefined;
  const data = useFormData(around, record);
  const labels = new Map(open.fields.map((field) => [fieldName(field), field.label]));
  return (
    <main className="desk">
      <div className="form-head flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-2xl">
          <span className="sr-only">{form.title || form.id}</span>
          <WordInPlace
            label={words.titleOfTheForm}
            value={form.title ?? ''}
            missing={form.id}
            onChange={(text) => change((f) => ({ ...f, title: text }), 'title')}
            onLeave={onTitleDone}
          />
        </h1>
        <button
          type="button"
          className="word-button"
          onClick={() => fillWithSamples(store, today ?? localToday())}
        >
          {words.fillWithSamples}
        </button>
        <span className="caption">{words.formTools}</span>
      </div>
      {dialog}
      <div className="field-band">
        <Trial
          form={form}
          live={live}
          open={open}
          today={today}
          around={around}
          parts={parts}
          pointed={pointed}
        />
        {/* biome-ignore lint/a11y/noStaticElementInteractions: shows the lines of a rule, and does nothing else */}
        <div
          className="min-w-0 space-y-5 text-sm"
          onPointerOver={point}
          onPointerLeave={unpoint}
          onFocus={point}
          onBlur={unpoint}
        >
          <AcrossFields document={document} form={form} store={store} onChange={change} />
          <Conditions set={set} fields={open.fields} added={condition} onAdd={setCondition} />
          <WhenSent form={form} open={open} onChange={change} />
          {asksServices(open) && <Manners />}
        </div>
      </div>
      <Board store={store} today={today ?? localToday()} />
      <SentRecord record={record} data={data} labels={labels} />
    </main>
  );
}

/** Whether a field or a rule of the form asks a server. */
const asksServices = ({ fields, rulesAt }: HydratedForm): boolean =>
  fields.some(({ id, rules }) =>
    [...rules, ...(rulesAt.get(id) ?? [])].some(({ check }) => check.type === 'remote'),
  );

/**
 * The form as a user sees it, on a screen or a phone, in either theme and direction, with lines between
 * dependent fields.
 */
function Trial({
  form,
  live,
  open,
  today,
  around,
  parts,
  pointed,
}: {
  readonly form: FormDocument;
  readonly live: Form;
  readonly open: HydratedForm;
  readonly today: string | undefined;
  readonly around: RefObject<HTMLDivElement | null>;
  readonly parts: AroundParts;
  readonly pointed: string | null;
}) {
  const links = useLinks(live.store);
  return (
    <OnPaper label={words.liveForm} views={views}>
      {(view) => (
        <div ref={around} className="form-trial" data-view={view}>
          <LiveForm
            form={live}
            open={open}
            sections={sectionsOf(form)}
            today={today}
            columns={view === 'desktop'}
            around={parts}
          />
          <AllComparedFields inside={around} links={links} pointed={pointed} />
        </div>
      )}
    </OnPaper>
  );
}

/** The `FormData` of the form on the page, taken when it is submitted. */
function useFormData(
  around: RefObject<HTMLElement | null>,
  record: FormRecord | undefined,
): readonly (readonly [string, string])[] {
  const [data, setData] = useState<readonly (readonly [string, string])[]>([]);
  useEffect(() => {
    const element = around.current?.querySelector('form');
    if (record && element)
      setData([...new FormData(element)].map(([name, value]) => [name, String(value)] as const));
  }, [around, record]);
  return data;
}

/** The rules and conditions of the form, each with its current verdict. */
function useLinks(store: ReturnType<typeof useForm>['store']): readonly ComparedFields[] {
  const [links, setLinks] = useState<readonly ComparedFields[]>([]);
  useEffect(() => {
    const look = () => {
      const next = linksOf(store);
      setLinks((had) => (JSON.stringify(had) === JSON.stringify(next) ? had : next));
    };
    look();
    // A key does not wait for what is drawn around the form.
    let timer: ReturnType<typeof setTimeout>;
    const letGo = store.subscribe(() => {
      clearTimeout(timer);
      timer = setTimeout(look, 60);
    });
    return () => {
      clearTimeout(timer);
      letGo();
    };
  }, [store]);
  return links;
}

function linksOf({ form, evaluation }: ReturnType<typeof useForm>['store']): readonly ComparedFields[] {
  return form.fields.flatMap((field): ComparedFields[] => {
    const { counts, findings } = evaluation(field.id);
    const rules = [...field.rules, ...(form.rulesAt.get(field.id) ?? [])];
    const ofRules = rules.flatMap((rule, i) =>
      (rule.reads ?? []).map(
        (from): ComparedFields => ({
          id: `${field.id} ${rule.id} ${from}`,
          of: linkOf(field.id, rule.id),
          from,
          to: field.id,
          by: 'rule',
          verdict: findings[i]?.verdict ?? 'pass',
        }),
      ),
    );
    const conditions = (form.hangsOn.get(field.id) ?? []).map(
      (from): ComparedFields => ({
        id: `${field.id} when ${from}`,
        of: linkOf(field.id, 'when'),
        from,
        to: field.id,
        by: 'condition',
        verdict: 'pass',
      }),
    );
    return counts ? [...ofRules, ...conditions] : [];
  });
}

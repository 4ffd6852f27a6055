'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { useField } from '@arbeit/react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { todayIn } from '../definition/clock.ts';
import { removeField } from '../definition/edits.ts';
import { type JustDeleted, takeNote } from '../definition/just-deleted.ts';
import { shapeOf } from '../definition/shape-of.ts';
import { type EditedSet, useSet } from '../definition/use-set.ts';
import { KindsAtHand } from '../kinds/at-hand.tsx';
import { Control } from '../kinds/controls.tsx';
import { Alive } from '../sheet/alive.tsx';
import { useAtFirstUse } from '../sheet/first-use.ts';
import { later, useLater } from '../sheet/later.tsx';
import { Masthead } from '../sheet/masthead.tsx';
import { Waiting } from '../sheet/pop-out.tsx';
import { SaveLine } from '../sheet/save-line.tsx';
import type { StoredSet } from '../store/sets.ts';
import { newFieldButton } from './new-field-button.ts';

/** A stored set that cannot be read: what is wrong with it, a sentence each. */
export interface Broken {
  readonly id: string;
  readonly faults: readonly string[];
}

/** A set of which only this much is on the page until it is opened. */
export interface Folded {
  readonly id: string;
  readonly title: string;
  readonly fields: number;
}

/** All sets and their fields, each field live in its row. */
export function Shelf({
  sets,
  folded = [],
  broken = [],
}: {
  readonly sets: readonly StoredSet[];
  readonly folded?: readonly Folded[];
  readonly broken?: readonly Broken[];
}) {
  return (
    <KindsAtHand value={kinds}>
      <Masthead trail={[{ label: 'Shelf' }]}>
        <NewSet />
      </Masthead>
      <main className="px-6 pb-24">
        <h1 className="sr-only">Shelf</h1>
        {sets.length === 0 && <p className="py-16 text-faint">No set yet. Begin one above.</p>}
        {sets.map((stored) => (
          <SetOnShelf key={stored.id} stored={stored} />
        ))}
        {folded.length > 0 && (
          <section aria-label="Further sets" className="mt-10">
            <h2 className="caption border-b pb-1">Changed longer ago</h2>
            {folded.map((set) => (
              <FoldedSet key={set.id} folded={set} />
            ))}
          </section>
        )}
        {broken.map(({ id, faults }) => (
          <section key={id} className="mt-8" aria-label={`Set ${id}`}>
            <h2 className="border-b border-ink pb-1.5 text-xl">{id}</h2>
            <p className="py-2">
              This set cannot be shown: its document has{' '}
              {faults.length === 1 ? 'a fault' : `${faults.length} faults`}.{' '}
              <a className="word-button" href={`/api/sets/${id}`} download={`${id}.json`}>
                It as a file
              </a>
            </p>
            <ul className="value text-sm text-brick">
              {faults.slice(0, 5).map((fault) => (
                <li key={fault}>{fault}</li>
              ))}
            </ul>
          </section>
        ))}
      </main>
      <Alive />
    </KindsAtHand>
  );
}

/** One line of a set; opened, it is fetched and laid out like the others. */
function FoldedSet({ folded: { id, title, fields } }: { readonly folded: Folded }) {
  const [stored, setStored] = useState<StoredSet | null>(null);
  const [problem, setProblem] = useState('');
  const open = async () => {
    const response = await fetch(`/api/sets/${id}`).catch(() => undefined);
    if (response?.ok) setStored((await response.json()) as StoredSet);
    else setProblem('It could not be opened: Arbeit did not answer. Try again.');
  };
  if (stored) return <SetOnShelf stored={stored} />;
  return (
    <p data-set={id} className="flex flex-wrap items-baseline gap-x-4 border-b py-2">
      <span>{title}</span>
      <span className="caption">
        {fields} {fields === 1 ? 'field' : 'fields'}
      </span>
      <span role="status" className="text-sm text-brick">
        {problem}
      </span>
      <button type="button" className="word-button ml-auto" aria-label={`Open ${title}`} onClick={open}>
        Open
      </button>
    </p>
  );
}

function NewSet() {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const create = async () => {
    const document: SetDocument = { arbeit: 1, title: 'New set', locale: 'en-GB', fields: [] };
    const response = await fetch('/api/sets', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ document }),
    }).catch(() => undefined);
    if (response?.ok) {
      setProblem('');
      router.refresh();
    } else setProblem('The set could not be made: Arbeit did not answer. Try again.');
  };
  return (
    <>
      <span role="status" className="text-sm text-brick">
        {problem}
      </span>
      <button type="button" className="word-button" onClick={create}>
        New set
      </button>
    </>
  );
}

/** Rows shown at first: each is a live field, and nobody looks at a thousand at once. */
const firstRows = 50;
const moreRows = 200;

function SetOnShelf({ stored }: { readonly stored: StoredSet }) {
  const set = useSet(stored);
  const [gone, setGone] = useState<JustDeleted | null>(null);
  useEffect(() => {
    const note = takeNote(stored.id);
    if (note) setGone(note);
  }, [stored.id]);
  const { document } = set;
  const [rows, setRows] = useState(firstRows);
  const remove = (field: FieldDocument) => {
    setGone({ setId: set.id, label: field.label || field.id, before: set.document });
    set.edit((d) => removeField(d, field.id));
  };
  return (
    <div data-set={set.id} className="mt-8">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-ink pb-1.5">
        <h2 className="text-xl">
          <input
            aria-label="Title of the set"
            className="w-72 max-w-full border-b border-transparent bg-transparent hover:border-line"
            value={document.title}
            onChange={(event) => set.edit((d) => ({ ...d, title: event.target.value }), 'title')}
          />
        </h2>
        <span className="caption">
          {document.fields.length} {document.fields.length === 1 ? 'field' : 'fields'} · {document.locale}
        </span>
        <div className="ml-auto flex flex-wrap items-baseline gap-x-4">
          <SaveLine set={set} />
          <NewField set={set} />
        </div>
      </div>
      <p role="status" className="min-h-7 py-1 text-sm">
        {gone !== null && (
          <>
            “{gone.label}” was taken off the shelf.{' '}
            <button
              type="button"
              className="word-button"
              onClick={() => {
                set.edit(() => gone.before);
                setGone(null);
              }}
            >
              Put it back
            </button>
          </>
        )}
      </p>
      {document.fields.length === 0 ? (
        <p className="py-6 text-faint">
          No field in this set yet. “New field” begins one from nothing or from a typical shape.
        </p>
      ) : (
        <div className="relative overflow-x-auto">
          <table className="w-full min-w-[46rem] border-collapse text-left">
            <thead className="caption">
              <tr className="border-b">
                <th scope="col" className="w-[24%] py-1 pr-4 font-normal">
                  Field
                </th>
                <th scope="col" className="w-[28%] py-1 pr-4 font-normal">
                  Live: type here
                </th>
                <th scope="col" className="py-1 pr-4 font-normal">
                  Kind and shape
                </th>
                <th scope="col" className="w-20 py-1 pr-4 font-normal">
                  Rules
                </th>
                <th scope="col" className="w-20 py-1 font-normal">
                  <span className="sr-only">Actions</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {document.fields.slice(0, rows).map((field) => (
                <Row key={field.id} set={set} field={field} onRemove={() => remove(field)} />
              ))}
            </tbody>
          </table>
          {document.fields.length > rows && (
            <button type="button" className="word-button py-3" onClick={() => setRows((n) => n + moreRows)}>
              Show {Math.min(moreRows, document.fields.length - rows)} of {document.fields.length - rows} more
            </button>
          )}
        </div>
      )}
    </div>
  );
}

function Row({
  set,
  field,
  onRemove,
}: {
  readonly set: EditedSet;
  readonly field: FieldDocument;
  readonly onRemove: () => void;
}) {
  const { classes } = set.document;
  const compiled = useMemo(
    () => compileField(field, { locale: set.document.locale, ...(classes ? { classes } : {}) }, kinds),
    [field, set.document.locale, classes],
  );
  const live = useField(compiled, { today: todayIn(set.id) });
  const message = live.reading.shown[0];
  return (
    <tr className="border-b align-top">
      <th scope="row" className="py-2 pr-4 text-left font-normal">
        <Link
          prefetch={false}
          href={`/sets/${set.id}/fields/${field.id}`}
          className="word-button font-semibold"
        >
          {field.label || field.id}
        </Link>
      </th>
      <td className="py-1.5 pr-4">
        <Control field={live} label={`${field.label || field.id}, live`} />
        <div
          {...live.messageProps}
          className={`min-h-5 text-sm ${message?.severity === 'warning' ? 'text-marigold' : 'text-brick'}`}
        >
          {message?.message}
        </div>
      </td>
      <td className="value max-w-0 truncate py-2.5 pr-4 text-sm" title={shapeOf(field, set.document, kinds)}>
        {shapeOf(field, set.document, kinds)}
      </td>
      <td className="py-2 pr-4">{field.rules?.length ?? 0}</td>
      <td className="py-2 text-right">
        <button
          type="button"
          className="word-button"
          onClick={onRemove}
          aria-label={`Delete ${field.label || field.id}`}
        >
          Delete
        </button>
      </td>
    </tr>
  );
}

/** The shapes to begin with are fetched with their menu. */
const newFieldMenu = later(() => import('./new-field-menu.tsx'));

/** Begins a field, from nothing or from a typical shape, and goes to its desk. */
function NewField({ set }: { readonly set: EditedSet }) {
  useAtFirstUse(newFieldMenu);
  const { it: menu, problem, want } = useLater(newFieldMenu);
  const [byKey, setByKey] = useState(false);
  if (menu) return <menu.NewFieldMenu set={set} byKey={byKey} />;
  return (
    <Waiting
      button={newFieldButton}
      opens="menu"
      problem={problem}
      onWant={(isKey) => {
        setByKey(isKey);
        want();
      }}
    >
      New field
    </Waiting>
  );
}

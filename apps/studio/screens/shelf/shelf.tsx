'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { useRouter } from 'next/navigation';
import { type DragEvent, useMemo, useRef, useState } from 'react';
import { WithKinds } from '../../field/with-kinds.tsx';
import { addSet, problemIn } from '../../model/other-sets.ts';
import type { StoredSet } from '../../store/sets.ts';
import { useCommands } from '../../ui/commands.tsx';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { later, useLater } from '../../ui/later.tsx';
import * as words from '../../words/shelf/shelf.ts';
import { Masthead } from '../set/masthead.tsx';
import { startTour } from '../set/tour.tsx';
import { FoldedSets, type Listed } from './folded-sets.tsx';
import { SetSection } from './set-section.tsx';

/** A stored set with an invalid document, and its faults in sentences. */
export interface Broken {
  readonly key: string;
  readonly id: string;
  readonly faults: readonly string[];
}

const takeInDialog = later(() => import('./import-dialog.tsx'));

const noneFolded: Listed = { sets: [], next: 0, count: 0 };

/** All sets and their fields, each field live in its row. */
export function Shelf({
  sets,
  folded = noneFolded,
  broken = [],
  hasDemo = false,
}: {
  readonly sets: readonly StoredSet[];
  /** The first of the sets that are shown without their fields. */
  readonly folded?: Listed;
  readonly broken?: readonly Broken[];
  /** Whether the store has the demo set, which the tour leads through. It may be folded. */
  readonly hasDemo?: boolean;
}) {
  const router = useRouter();
  const [search, setSearch] = useState('');
  const [fresh, setFresh] = useState<string | null>(null);
  const [gone, setGone] = useState<{ readonly key: string; readonly title: string } | null>(null);
  const [given, setGiven] = useState<string | File | null>(null);
  const [problem, setProblem] = useState('');
  const { it: taking, open } = useLater(takeInDialog);
  const made = (id: string) => {
    setFresh(id);
    setGiven(null);
    setSearch('');
    router.refresh();
  };
  const create = async () => {
    const document: SetDocument = { arbeit: 2, title: words.newSet, locale: 'en-GB', fields: [] };
    const added = await addSet(document);
    setProblem(added.problem);
    if ('id' in added) made(added.id);
  };
  const takeIn = (one: string | File) => {
    open();
    setGiven(one);
  };
  useCommands(words.shelf, [
    {
      id: 'new-field',
      label: words.newFieldInTheFirst,
      key: 'n',
      run: () => document.querySelector<HTMLElement>('[data-new-field]')?.click(),
    },
    { id: 'new-set', label: words.newSet, run: create },
    { id: 'take-in', label: words.importLabel, run: () => takeIn('') },
  ]);
  const drop = useDrop(takeIn);
  const wanted = search.trim().toLowerCase();
  // Those of the first visit: a kind that comes later is loaded by its row.
  const [names] = useState(() => [
    ...new Set(sets.flatMap(({ document }) => document.fields.map(({ kind }) => kind))),
  ]);
  const laidOut = useMemo(() => new Set(sets.map(({ key }) => key)), [sets]);
  return (
    <WithKinds names={names}>
      <Masthead trail={[{ label: words.shelf }]}>
        <span role="status" className="text-sm text-brick">
          {problem}
        </span>
        <Finder search={search} onChange={setSearch} />
        <button type="button" className="word-button" onClick={create}>
          {words.newSet}
        </button>
        <button type="button" className="word-button" aria-haspopup="dialog" onClick={() => takeIn('')}>
          {words.importLabel}
        </button>
      </Masthead>
      <main className="min-h-[calc(100vh-3.2rem)] px-6 pb-24 max-md:px-4" {...drop}>
        <h1 className="sr-only">{words.shelf}</h1>
        {gone && <SetGone gone={gone} onBack={() => setGone(null)} />}
        {sets.length > 0 && (
          <p className="caption pt-3">
            {words.aSetHolds}{' '}
            {hasDemo && (
              <button type="button" className="word-button" onClick={startTour}>
                {words.tourInFourSteps}
              </button>
            )}
          </p>
        )}
        {sets.length === 0 && <p className="py-16 text-faint">{words.noSetsYet}</p>}
        {sets
          .filter(({ key }) => key !== gone?.key)
          .map((stored, i) => (
            <SetSection
              isFirst={i === 0}
              key={stored.id}
              stored={stored}
              search={wanted}
              isNew={fresh === stored.id}
              onGone={(key, title) => setGone({ key, title })}
            />
          ))}
        <FoldedSets first={folded} search={wanted} laidOut={laidOut} />
        {broken.map((one) => (
          <BrokenSet key={one.key} broken={one} />
        ))}
      </main>
      {taking && given !== null && (
        <taking.ImportDialog given={given} onClose={() => setGiven(null)} onTaken={made} />
      )}
      <HydrationMarker />
    </WithKinds>
  );
}

/** Finds fields by label, id or kind, in all sets shown; Enter goes to the first. */
function Finder({
  search,
  onChange,
}: {
  readonly search: string;
  readonly onChange: (search: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  useCommands(words.shelf, [
    { id: 'find', label: words.findAField, key: '/', run: () => input.current?.focus() },
  ]);
  return (
    <input
      ref={input}
      type="search"
      className="entry w-44"
      aria-label={words.findAField}
      placeholder={words.findAFieldPlaceholder}
      value={search}
      onChange={(event) => onChange(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onChange('');
        if (event.key !== 'Enter' || !search.trim()) return;
        event.preventDefault();
        document.querySelector<HTMLAnchorElement>('.shelf-name')?.focus();
      }}
    />
  );
}

/** Imports a document dropped on the shelf. */
function useDrop(onFile: (file: File) => void) {
  const isFile = (event: DragEvent): boolean => event.dataTransfer.types.includes('Files');
  return {
    onDragOver: (event: DragEvent) => {
      if (isFile(event)) event.preventDefault();
    },
    onDrop: (event: DragEvent) => {
      if (!isFile(event)) return;
      event.preventDefault();
      const file = event.dataTransfer.files[0];
      if (file) onFile(file);
    },
  };
}

/** Shown in place of a deleted set, with a way to restore it. */
function SetGone({
  gone: { key, title },
  onBack,
}: {
  readonly gone: { readonly key: string; readonly title: string };
  readonly onBack: () => void;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const back = async () => {
    const response = await fetch(`/api/sets/${key}/restore`, { method: 'POST' }).catch(() => undefined);
    const wrong = await problemIn(response);
    setProblem(wrong);
    if (wrong) return;
    onBack();
    router.refresh();
  };
  return (
    <p className="mt-6 flex flex-wrap items-baseline gap-3 border-b pb-2 text-faint">
      <span role="status">{words.wasDeletedWithTitle(title)}</span>
      <button type="button" className="word-button" onClick={back}>
        {words.restore}
      </button>
      <span role="status" className="text-brick">
        {problem}
      </span>
    </p>
  );
}

function BrokenSet({ broken: { key, id, faults } }: { readonly broken: Broken }) {
  return (
    <section className="mt-8" aria-label={words.set(id)}>
      <h2 className="border-b border-ink pb-1.5 text-xl">{id}</h2>
      <p className="py-2">
        {words.thisSetCannotBeShown(faults.length)}{' '}
        <a className="word-button" href={`/api/sets/${key}`} download={`${id}.json`}>
          {words.downloadJson}
        </a>
      </p>
      <ul className="value text-sm text-brick">
        {faults.slice(0, 5).map((fault) => (
          <li key={fault}>{fault}</li>
        ))}
      </ul>
    </section>
  );
}

'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { type CSSProperties, type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { moveField } from '../../model/field-edits.ts';
import { type JustDeleted, takeNote } from '../../model/just-deleted.ts';
import type { LastResult } from '../../model/last-results.ts';
import { received, sendField } from '../../model/other-sets.ts';
import { type EditedSet, useSet } from '../../model/use-set.ts';
import { wereRun } from '../../model/were-run.ts';
import type { ListedSet, StoredSet } from '../../store/sets.ts';
import { useAtFirstUse } from '../../ui/first-use.ts';
import { focusSoon } from '../../ui/focus-soon.ts';
import { later, useLater } from '../../ui/later.tsx';
import { useSorting } from '../../ui/use-sorting.ts';
import * as words from '../../words/shelf/set-section.ts';
import { SaveLine } from '../set/save-line.tsx';
import { FieldRow } from './field-row.tsx';
import { laidOut } from './laid-out.ts';
import { SetMenu } from './set-menu.tsx';

/** Rows shown at first; more follow near the end of the page, because each is a live field. */
const firstRows = 16;
/** Rows of the sets below the first one, which are not visible yet. */
const lowerRows = 4;
const moreRows = 60;

const newField = later(() => import('../set/new-field-dialog.tsx'));
const lastResults = later(() => import('../../model/last-results.ts'));
const deleting = later(() => import('../../model/deleting.ts'));

/** Undo by key, which is not needed before the first change. */
const undoing = later(() => import('./undo-on-shelf.ts'));

/** One set: its heading, and its fields, each live in its row. */
export function SetSection({
  stored,
  search,
  isNew,
  isFirst,
  onGone,
}: {
  readonly stored: StoredSet;
  /** The search text in lower case; '' for none. */
  readonly search: string;
  /** Whether it was just added: then it scrolls into view, and its title has the focus. */
  readonly isNew: boolean;
  /** Whether it is the first on the shelf. */
  readonly isFirst: boolean;
  readonly onGone: (key: string, title: string) => void;
}) {
  const set = useSet(stored);
  useAtFirstUse(undoing);
  const { document } = set;
  const title = useRef<HTMLInputElement>(null);
  const [isFolded, setFolded] = useFolded(set.id);
  useEffect(() => {
    laidOut.set(set.key, set);
    return () => {
      laidOut.delete(set.key);
    };
  });
  useEffect(() => {
    if (!isNew) return;
    title.current?.scrollIntoView({ block: 'nearest' });
    title.current?.select();
  }, [isNew]);
  const found = useMemo(() => matching(document.fields, search), [document.fields, search]);
  if (search && found.length === 0 && !document.title.toLowerCase().includes(search)) return null;
  return (
    <section data-set={set.id} className="mt-6">
      <div className="set-head">
        <button
          type="button"
          className="fold"
          aria-expanded={!isFolded}
          aria-label={words.fieldsOf(document.title)}
          onClick={() => setFolded(!isFolded)}
        >
          <span aria-hidden="true">{isFolded ? '▸' : '▾'}</span>
        </button>
        <h2 className="min-w-0">
          <Title
            input={title}
            title={document.title}
            onChange={(text) => set.edit((d) => ({ ...d, title: text }), 'title')}
          />
        </h2>
        <span className="caption whitespace-nowrap">
          {words.fieldsAndLocale(document.fields.length, document.locale)}
        </span>
        {document.forms?.map(({ id, title }) => (
          <a key={id} className="word-button text-sm" href={`/sets/${set.key}/forms/${id}`}>
            {title || id}
          </a>
        ))}
        <div className="ml-auto flex flex-wrap items-baseline gap-x-4">
          <SaveLine set={set} />
          <NewField set={set} />
          <SetMenu set={set} onGone={() => onGone(set.key, document.title)} />
        </div>
      </div>
      {!isFolded && <Fields set={set} found={found} isSearch={search !== ''} isFirst={isFirst} />}
    </section>
  );
}

/** The set's title, edited in place. If it is emptied, the former title is restored. */
function Title({
  input,
  title,
  onChange,
}: {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly title: string;
  readonly onChange: (title: string) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <input
      ref={input}
      aria-label={words.setTitle}
      className="set-title"
      value={draft ?? title}
      onChange={(event) => {
        const text = event.target.value;
        setDraft(text);
        if (text.trim()) onChange(text);
      }}
      onBlur={() => setDraft(null)}
    />
  );
}

const matching = (fields: readonly FieldDocument[], search: string): readonly FieldDocument[] =>
  search
    ? fields.filter(({ label, id, kind }) => `${label} ${id} ${kind}`.toLowerCase().includes(search))
    : fields;

/** Whether a set is collapsed, remembered in this browser. */
function useFolded(id: string): [boolean, (isFolded: boolean) => void] {
  const [isFolded, setFolded] = useState(false);
  const key = `arbeit.folded.${id}`;
  useEffect(() => {
    try {
      setFolded(localStorage.getItem(key) !== null);
    } catch {
      // Without storage, every set is shown expanded.
    }
  }, [key]);
  const fold = (next: boolean) => {
    setFolded(next);
    try {
      if (next) localStorage.setItem(key, 'yes');
      else localStorage.removeItem(key);
    } catch {
      // Without storage, the state is lost on reload.
    }
  };
  return [isFolded, fold];
}

/**
 * The actions of rows on their set; the same functions at each render, so that unchanged rows do not render
 * again.
 */
function useFieldTurns(set: EditedSet) {
  const latest = useRef(set);
  latest.current = set;
  const [gone, setGone] = useState<JustDeleted | null>(null);
  useEffect(() => {
    const note = takeNote(set.key);
    if (note) setGone(note);
  }, [set.key]);
  const move = useCallback((id: string, to: number) => latest.current.edit((d) => moveField(d, id, to)), []);
  useAtFirstUse(deleting);
  const remove = useCallback(async (field: FieldDocument) => {
    const { removeField } = await deleting.fetch();
    const { key, document, edit } = latest.current;
    const at = document.fields.findIndex((one) => one.id === field.id);
    setGone({ setKey: key, field, at, before: document });
    edit((d) => removeField(d, field.id));
    focusSoon('[data-put-back]');
  }, []);
  const back = useCallback(async (deleted: JustDeleted) => {
    const { putBack } = await deleting.fetch();
    latest.current.edit((d) => putBack(d, deleted));
    setGone(null);
    focusSoon(`[data-row="${CSS.escape(deleted.field.id)}"] .shelf-name`);
  }, []);
  const deliver = useCallback(async (to: ListedSet, field: FieldDocument): Promise<string> => {
    const { classes } = latest.current.document;
    const here = laidOut.get(to.key);
    if (!here) return sendField(to.key, field, classes);
    here.edit((d) => received(d, field, classes));
    return '';
  }, []);
  // If undo has restored it, it is no longer deleted.
  const isGone = gone !== null && !set.document.fields.some(({ id }) => id === gone.field.id);
  return { gone: isGone ? gone : null, move, remove, back, deliver };
}

/**
 * The results of the trials of the set's fields in their last run in this browser; loaded after mount and
 * after a change.
 */
function useLastResults(set: EditedSet): Readonly<Record<string, LastResult>> {
  const [results, setResults] = useState<Readonly<Record<string, LastResult>>>({});
  const { id, document } = set;
  const hasTrials = (document.trials ?? []).length > 0;
  useEffect(() => {
    if (!hasTrials) return undefined;
    let isGone = false;
    const timer = setTimeout(async () => {
      if (!(await wereRun())) return;
      const found = await lastResults.fetch().then((it) => it.lastResults(document, id));
      if (!isGone) setResults(found);
    }, 400);
    return () => {
      isGone = true;
      clearTimeout(timer);
    };
  }, [id, document, hasTrials]);
  return results;
}

function Fields({
  set,
  found,
  isSearch,
  isFirst,
}: {
  readonly set: EditedSet;
  readonly found: readonly FieldDocument[];
  readonly isSearch: boolean;
  /** Whether it is the first set, which has the headings of the columns. */
  readonly isFirst: boolean;
}) {
  const { gone, move, remove, back, deliver } = useFieldTurns(set);
  const results = useLastResults(set);
  const list = useRef<HTMLUListElement>(null);
  const [rows, setRows] = useState(isFirst ? firstRows : lowerRows);
  // During a search, the order cannot be changed.
  const order = isSearch ? [] : found.slice(0, rows).map(({ id }) => id);
  const moveByKey = useSorting(list, order, move);
  const drawn = found
    .slice(0, rows)
    .map((field) => (
      <FieldRow
        key={field.id}
        set={set}
        field={field}
        deliver={deliver}
        onHandleKey={moveByKey}
        onDelete={remove}
        held={results[field.id]?.held ?? 0}
        missed={results[field.id]?.missed ?? 0}
        isOld={results[field.id]?.isOld ?? false}
      />
    ));
  if (gone && !isSearch)
    drawn.splice(
      Math.min(gone.at, drawn.length),
      0,
      <GoneRow key="gone" name={gone.field.label || gone.field.id} onBack={() => back(gone)} />,
    );
  if (drawn.length === 0)
    return <p className="py-4 text-faint">{isSearch ? words.noMatchingFields : words.noFieldsYet}</p>;
  return (
    <>
      {isFirst && (
        <div aria-hidden="true" className="shelf-row shelf-heads">
          {[words.field, words.tryIt, words.kindAndSample, words.trials, words.rules].map((name) => (
            <span key={name}>{name}</span>
          ))}
        </div>
      )}
      <ul ref={list}>{drawn}</ul>
      {found.length > rows && (
        <More key={rows} count={found.length - rows} onMore={() => setRows((n) => n + moreRows)} />
      )}
    </>
  );
}

/**
 * Shows further rows: automatically as they come near the visible area, and at a click. Their space is
 * reserved, so that nothing below moves when they appear. It is mounted anew each time, so that visible space
 * asks for more.
 */
function More({ count, onMore }: { readonly count: number; readonly onMore: () => void }) {
  const room = useRef<HTMLDivElement>(null);
  const more = useRef(onMore);
  more.current = onMore;
  useEffect(() => {
    if (!room.current) return;
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) more.current();
      },
      { rootMargin: '300px' },
    );
    observer.observe(room.current);
    return () => observer.disconnect();
  }, []);
  return (
    <div ref={room} className="shelf-room" style={{ '--rows': count } as CSSProperties}>
      <button type="button" className="word-button my-2" onClick={onMore}>
        {words.showOfMore(Math.min(moreRows, count), count)}
      </button>
    </div>
  );
}

/** Shown in place of a deleted field, with a way to restore it. */
function GoneRow({ name, onBack }: { readonly name: string; readonly onBack: () => void }) {
  return (
    <li className="flex min-h-11 items-center gap-3 border-b text-sm text-faint">
      <span role="status" className="pl-8">
        {words.wasDeleted(name)}
      </span>
      <button type="button" data-put-back className="word-button" onClick={onBack}>
        {words.restore}
      </button>
    </li>
  );
}

/** Adds a field. The dialog is loaded on the first interaction with the page. */
function NewField({ set }: { readonly set: EditedSet }) {
  useAtFirstUse(newField);
  const { it: loaded, problem, open } = useLater(newField);
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        data-new-field
        className="solid-button"
        title={problem || undefined}
        aria-haspopup="dialog"
        onClick={() => {
          open();
          setOpen(true);
        }}
      >
        {words.newField}
      </button>
      {loaded && isOpen && <loaded.NewFieldDialog set={set} onClose={() => setOpen(false)} />}
    </>
  );
}

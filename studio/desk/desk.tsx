'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { createStore, type FieldStore } from '../../dom/store.ts';
import { compileField } from '../../engine/compile/compile.ts';
import type { FieldDocument } from '../../engine/compile/document.ts';
import { parseNotation } from '../../engine/compile/notation.ts';
import { sampleCells } from '../../engine/compile/sample.ts';
import { read } from '../../engine/rules/reading.ts';
import type { CompiledField } from '../../engine/run/plan.ts';
import { apply, start } from '../../engine/run/state.ts';
import { useField } from '../../react/use-field.ts';
import { changeField, fieldOf, removeField } from '../definition/edits.ts';
import { leaveNote } from '../definition/just-deleted.ts';
import { useSet } from '../definition/use-set.ts';
import { Masthead } from '../sheet/masthead.tsx';
import { SaveLine } from '../sheet/save-line.tsx';
import type { StoredSet } from '../store/sets.ts';
import { columnsOf } from './columns.ts';
import { LiveField } from './live-field.tsx';
import { PatternLine } from './pattern-line.tsx';
import { Properties } from './properties.tsx';
import { Ruler } from './ruler.tsx';
import { Rules } from './rules.tsx';
import { Specimen } from './specimen.tsx';
import { Tape } from './tape.tsx';
import { recordRow, type TapeRow, tapeText } from './tape-rows.ts';

/** The desk: one field, defined, typed into, and watched. */
export function Desk({ stored, fieldId }: { readonly stored: StoredSet; readonly fieldId: string }) {
  const router = useRouter();
  const set = useSet(stored);
  const definition = fieldOf(set.document, fieldId) ?? fieldOf(stored.document, fieldId)!;
  const change = useCallback(
    (edit: (field: FieldDocument) => FieldDocument, about?: string) =>
      set.edit((d) => changeField(d, fieldId, edit), about),
    [set.edit, fieldId],
  );
  useUndoKeys(set.undo, set.redo);

  const { classes, locale } = set.document;
  const classNames = useMemo(() => Object.keys(classes ?? {}), [classes]);
  const compiled = useMemo(
    () => compileField(definition, { locale, ...(classes ? { classes } : {}) }),
    [definition, locale, classes],
  );
  const notation = useMemo(
    () => parseNotation(definition.entry.pattern, classNames),
    [definition.entry.pattern, classNames],
  );
  const { columns, spans } = useMemo(
    () => columnsOf(notation.nodes, compiled.plan, sampleCells(compiled.plan)),
    [notation, compiled.plan],
  );

  const store = useFollowingStore(compiled);
  const field = useField(compiled, { store });
  const tape = useTape(store);
  const setPattern = useCallback(
    (pattern: string) => {
      if (parseNotation(pattern, classNames).faults.length > 0) return;
      change((f) => ({ ...f, entry: { ...f.entry, pattern } }), 'pattern');
    },
    [change, classNames],
  );
  const remove = async () => {
    leaveNote({ setId: set.id, label: definition.label || definition.id, before: set.document });
    await set.editAndSave((d) => removeField(d, fieldId));
    router.push('/');
  };

  return (
    <>
      <Masthead
        trail={[{ label: set.document.title, href: '/' }, { label: definition.label || definition.id }]}
      >
        <SaveLine set={set} />
      </Masthead>
      <main className="grid grid-cols-1 gap-x-8 px-6 pb-16 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div className="min-w-0">
          <h1 className="sr-only">{definition.label || definition.id}</h1>
          <div
            className="overflow-x-auto pt-4 [--col:1.75rem]"
            tabIndex={columns.length > 24 ? 0 : undefined}
          >
            <div className="w-max min-w-full pl-1.5">
              <Specimen
                notation={notation}
                columns={columns}
                spans={spans}
                classes={classNames}
                onChange={setPattern}
              />
              <Ruler plan={compiled.plan} state={field.state} columns={columns} />
            </div>
          </div>
          <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-[22.5rem_minmax(0,1fr)]">
            <LiveField field={field} inputmode={String(definition.html?.inputmode ?? '')} />
            <PatternLine
              key={tape.patternKey}
              pattern={definition.entry.pattern}
              notation={notation}
              classes={classNames}
              onChange={setPattern}
            />
          </div>
          <div className="mt-4">
            <Tape
              rows={tape.rows}
              at={tape.at}
              onStep={tape.step}
              onClear={tape.clear}
              onCopy={() =>
                navigator.clipboard?.writeText(tapeText(`Try of ${definition.label}`, fieldId, tape.rows))
              }
            />
          </div>
        </div>
        <div className="space-y-6 pt-4">
          <Rules definition={definition} field={field} onChange={change} />
          <Properties definition={definition} onChange={change} />
          <div className="flex gap-x-4 border-t pt-3">
            <Link className="word-button" href={`/sets/${set.id}/fields/${fieldId}/alone`}>
              Open alone
            </Link>
            <button type="button" className="word-button" onClick={remove}>
              Delete this field
            </button>
          </div>
        </div>
      </main>
    </>
  );
}

/** A store for the definition as it is now. What was typed stays when the definition changes under it. */
function useFollowingStore(compiled: CompiledField): FieldStore {
  const [kept, setKept] = useState(() => ({ compiled, store: createStore(compiled, read) }));
  if (kept.compiled === compiled) return kept.store;
  const before = kept.store.state();
  const fresh = start(compiled);
  const untouched = before.body.display === start(kept.compiled).body.display;
  const carried = untouched
    ? fresh
    : apply(compiled, fresh, {
        type: 'set',
        text: before.body.content === '' ? '' : kept.store.reading().raw,
      });
  const { focused, touched, submitted } = before;
  const store = createStore(compiled, read, {
    ...carried,
    past: null,
    future: null,
    focused,
    touched,
    submitted,
  });
  setKept({ compiled, store });
  return store;
}

/** The tape of this visit: every event a row; stepping back puts the whole desk there. */
function useTape(store: FieldStore) {
  const [rows, setRows] = useState<readonly TapeRow[]>([]);
  const [at, setAt] = useState<number | null>(null);
  const from = useRef<number | null>(null);
  from.current = at;
  useEffect(
    () =>
      store.subscribe((state, event) => {
        if (!event) return;
        const since = from.current;
        // Looking at an earlier row and leaving the field again is no edit of the tape.
        if (since !== null && (event.type === 'focus' || event.type === 'leave' || event.type === 'select'))
          return;
        from.current = null;
        setAt(null);
        setRows((before) => recordRow(before, store.field, event, state, since));
      }),
    [store],
  );
  const step = (to: number | null) => {
    const row = rows[to ?? rows.length - 1];
    if (!row) return;
    setAt(to);
    store.restore({ ...row.state, focused: store.state().focused });
  };
  const clear = () => {
    setRows([]);
    setAt(null);
  };
  return { rows, at, step, clear, patternKey: store.field.id };
}

/** Undo and redo of the definition, outside of lines that have an undo of their own. */
function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.defaultPrevented) return;
      if ((event.target as HTMLElement).matches('input, textarea, select')) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [undo, redo]);
}

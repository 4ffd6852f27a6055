'use client';

import { createStore, readOn } from '@arbeit/dom';
import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import type { OpenField } from '@arbeit/engine/field';
import { start } from '@arbeit/engine/field';
import { kindIn } from '@arbeit/engine/kinds';
import type { PatternPlan } from '@arbeit/engine/kinds/pattern';
import { type Field, useField } from '@arbeit/react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type ReactNode, useCallback, useEffect, useMemo, useState } from 'react';
import { todayIn } from '../definition/clock.ts';
import { changeField, fieldOf, removeField } from '../definition/edits.ts';
import { leaveNote } from '../definition/just-deleted.ts';
import { useSet } from '../definition/use-set.ts';
import { useKinds } from '../kinds/at-hand.tsx';
import { hasNotation } from '../kinds/notation.ts';
import { Masthead } from '../sheet/masthead.tsx';
import { SaveLine } from '../sheet/save-line.tsx';
import type { StoredSet } from '../store/sets.ts';
import { KindRuler } from './kind-ruler.tsx';
import { KindSpecimen } from './kind-specimen.tsx';
import { LiveField } from './live-field.tsx';
import { LocaleSheet } from './locale-sheet.tsx';
import { PatternText, PatternTop, usePattern } from './pattern-top.tsx';
import { Properties } from './properties.tsx';
import { Rules } from './rules.tsx';
import { SharedValue } from './shared-value.tsx';
import { Tape } from './tape.tsx';
import { newTape, recordRow, replay, tapeText } from './tape-rows.ts';

export interface DeskProps {
  readonly stored: StoredSet;
  readonly fieldId: string;
}

/** The desk: one field, defined, typed into, and watched. */
export function Desk({ stored, fieldId }: DeskProps) {
  const kinds = useKinds();
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
  const compiled = useMemo(
    () => compileField(definition, { locale, ...(classes ? { classes } : {}) }, kinds),
    [definition, locale, classes, kinds],
  );
  const facts = useMemo(() => ({ locale, ...(classes ? { classes } : {}) }), [locale, classes]);
  const today = todayIn(set.id);

  const bench = useBench(compiled, today);
  const field = useField(compiled, { store: bench.store });
  const remove = async () => {
    leaveNote({ setId: set.id, label: definition.label || definition.id, before: set.document });
    await set.editAndSave((d) => removeField(d, fieldId));
    router.push('/');
  };

  const inputmode = String(compiled.html.inputmode ?? '');

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
          {hasNotation(definition) ? (
            <OnPattern
              setId={set.id}
              definition={definition}
              field={field}
              classes={classes}
              onChange={change}
              live={<LiveField field={field} inputmode={inputmode} today={today} />}
            />
          ) : (
            <>
              <div className="overflow-x-auto pt-4 [--col:1.4rem]">
                <KindSpecimen definition={definition} set={facts} onChange={change} />
                <KindRuler field={field} />
              </div>
              <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 xl:grid-cols-2">
                <LiveField field={field} inputmode={inputmode} today={today} />
                <SharedValue definition={definition} own={bench.store} locale={locale} today={today} />
              </div>
            </>
          )}
          <div className="mt-4">
            <Tape
              rows={bench.rows}
              at={bench.at}
              onStep={bench.step}
              onClear={bench.clear}
              onCopy={() =>
                navigator.clipboard?.writeText(tapeText(`Try of ${definition.label}`, fieldId, bench.rows))
              }
            />
          </div>
          {kindIn(kinds, definition.kind).define.byLocale && (
            <LocaleSheet definition={definition} own={bench.store} today={today} />
          )}
        </div>
        <div className="space-y-6 pt-4">
          <Rules definition={definition} field={field} onChange={change} />
          <Properties definition={definition} plan={compiled.plan} onChange={change} />
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

/** The top of the desk for a pattern: specimen and ruler on one grid, the live field, the pattern as text. */
function OnPattern({
  setId,
  definition,
  field,
  classes,
  onChange,
  live,
}: {
  readonly setId: string;
  readonly definition: FieldDocument<'pattern'>;
  readonly field: Field;
  readonly classes: SetDocument['classes'];
  readonly onChange: (edit: (field: FieldDocument) => FieldDocument, about?: string) => void;
  readonly live: ReactNode;
}) {
  const plan = field.store.field.plan as PatternPlan;
  const top = usePattern(definition, plan, classes, onChange);
  return (
    <>
      <PatternTop top={top} plan={plan} state={field.state} />
      <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-[22.5rem_minmax(0,1fr)]">
        {live}
        <PatternText top={top} id={`${setId}/${definition.id}`} />
      </div>
    </>
  );
}

/**
 * The field's state and the tape of this visit, following the definition: when that changes, the same keys are
 * played again on the new one. Stepping back puts the whole desk at that row.
 */
function useBench(compiled: OpenField, today: string | undefined) {
  const read = useMemo(() => readOn(today), [today]);
  const [bench, setBench] = useState(() => {
    const base = start(compiled);
    return {
      compiled,
      store: createStore(compiled, read, base),
      tape: newTape(base),
      at: null as number | null,
    };
  });
  let present = bench;
  if (bench.compiled !== compiled) {
    const tape = replay(bench.tape, bench.compiled, compiled, read);
    const { focused } = bench.store.state();
    const here = tape.rows[bench.at ?? tape.rows.length - 1]?.state ?? tape.base;
    present = {
      compiled,
      store: createStore(compiled, read, { ...here, focused }),
      tape,
      at: bench.at,
    };
    setBench(present);
  }
  const { store } = present;
  useEffect(() => {
    // What was typed before the page came alive is where the tape begins.
    setBench((b) =>
      b.tape.rows.length === 0 && b.store === store && b.tape.base !== store.state()
        ? { ...b, tape: newTape(store.state()) }
        : b,
    );
    return store.subscribe((state, event) => {
      if (!event) return;
      setBench((b) => {
        if (b.store !== store) return b;
        // Looking at an earlier row and leaving the field again is no edit of the tape.
        const isLooking = b.at !== null && /^(focus|leave|select)$/.test(event.type);
        return isLooking
          ? b
          : { ...b, tape: recordRow(b.tape, store.field, event, state, b.at, read), at: null };
      });
    });
  }, [store, read]);
  const step = (to: number | null) => {
    const row = present.tape.rows[to ?? present.tape.rows.length - 1];
    if (!row) return;
    setBench((b) => ({ ...b, at: to }));
    store.restore({ ...row.state, focused: store.state().focused });
  };
  const clear = () => setBench((b) => ({ ...b, tape: newTape(store.state()), at: null }));
  return { store, rows: present.tape.rows, at: present.at, step, clear };
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

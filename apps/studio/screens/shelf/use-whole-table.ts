'use client';

import type { Column } from '@arbeit/handoff/import';
import { useEffect, useMemo, useRef, useState } from 'react';
import * as words from '../../words/shelf/import-preview-pane.ts';
import { heard } from '../../workers/heard.ts';
import type { AskedToLook, LookedStep } from '../../workers/table/messages.ts';

/** How far a table was looked through. */
export interface WholeTable {
  readonly is: 'under way' | 'stopped' | 'done' | 'failed';
  /** From 0 to 1. */
  readonly share: number;
  /** Why it failed. */
  readonly why: string;
  readonly columns: readonly Column[] | undefined;
  readonly rows: number;
}

const nothing: WholeTable = { is: 'under way', share: 0, why: '', columns: undefined, rows: 0 };

/**
 * Looks through all rows of a table in a worker, where the preview showed the first of them.
 *
 * @param asked The table; `undefined` if the preview has all of it.
 */
export function useWholeTable(asked: AskedToLook | undefined): WholeTable & {
  stop(): void;
  again(): void;
} {
  const [turn, setTurn] = useState(0);
  const { text, names, locale } = asked ?? {};
  const about = useMemo(() => ({ text, names, locale, turn }), [text, names, locale, turn]);
  const [state, setState] = useState({ about, table: nothing });
  const end = useRef<() => void>(() => undefined);
  useEffect(() => {
    const { text, names, locale } = about;
    if (text === undefined || names === undefined || locale === undefined) return;
    let table = nothing;
    let isOver = false;
    const thread = heard<LookedStep>(
      new Worker(new URL('../../workers/table/worker.ts', import.meta.url), { type: 'module' }),
      words.checkingEnded,
      (step) => {
        if (isOver) return;
        table = { ...table, ...step };
        setState({ about, table });
      },
    );
    end.current = () => {
      isOver = true;
      thread.terminate();
    };
    thread.postMessage({ text, names, locale } satisfies AskedToLook);
    return () => end.current();
  }, [about]);
  // What is known of another table says nothing of this one.
  const table = state.about === about ? state.table : nothing;
  return {
    ...table,
    stop() {
      end.current();
      setState({ about, table: { ...table, is: 'stopped' } });
    },
    again: () => setTurn(turn + 1),
  };
}

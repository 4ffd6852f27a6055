'use client';

import type { Column } from '@arbeit/handoff/import';
import { useEffect, useRef, useState } from 'react';
import * as words from '../../words/shelf/import-preview-pane.ts';
import type { AskedToLook, LookedStep } from '../../workers/table/messages.ts';

/** How far a table was looked through. */
export interface WholeTable {
  readonly is: 'under way' | 'stopped' | 'done' | 'failed';
  /** From 0 to 1. */
  readonly share: number;
  readonly problem: string;
  readonly columns: readonly Column[] | undefined;
  readonly rows: number;
}

const nothing: WholeTable = { is: 'under way', share: 0, problem: '', columns: undefined, rows: 0 };

/**
 * Looks through all rows of a table in a worker, where the preview showed the first of them.
 *
 * @param asked `undefined` if there are no other rows.
 */
export function useWholeTable(asked: AskedToLook | undefined): WholeTable & {
  stop(): void;
  again(): void;
} {
  const [state, setState] = useState(nothing);
  const [turn, setTurn] = useState(0);
  const end = useRef<() => void>(() => undefined);
  const { text, names, locale } = asked ?? {};
  // biome-ignore lint/correctness/useExhaustiveDependencies: another turn begins anew.
  useEffect(() => {
    if (text === undefined || names === undefined || locale === undefined) return;
    const thread = new Worker(new URL('../../workers/table/worker.ts', import.meta.url), { type: 'module' });
    let isOver = false;
    end.current = () => {
      isOver = true;
      thread.terminate();
    };
    const set = (step: Partial<WholeTable>): void => {
      if (!isOver) setState((now) => ({ ...now, ...step }));
    };
    setState(nothing);
    thread.addEventListener('error', () => set({ is: 'failed', problem: words.checkingEnded }));
    thread.addEventListener('message', ({ data }: MessageEvent<LookedStep>) =>
      set(data.is === 'failed' ? { is: 'failed', problem: data.why } : data),
    );
    thread.postMessage({ text, names, locale } satisfies AskedToLook);
    return () => end.current();
  }, [text, names, locale, turn]);
  return {
    ...state,
    stop() {
      end.current();
      setState((now) => ({ ...now, is: 'stopped' }));
    },
    again: () => setTurn(turn + 1),
  };
}

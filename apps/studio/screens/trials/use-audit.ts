'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { type Audited, type Counterexample, together } from '@arbeit/engine/proof';
import { useCallback, useEffect, useRef } from 'react';
import { useKept } from '../../model/kept.ts';
import { start } from '../../workers/trials/threads.ts';

/** How much is checked: events per field, or minutes. */
export type Amount = { readonly events: number } | { readonly minutes: number };

/** What is known of one field. */
export interface Known {
  readonly events: number;
  readonly found: readonly Counterexample[];
}

interface State {
  readonly is: 'not yet' | 'under way' | 'stopped' | 'done' | 'failed';
  readonly byField: Readonly<Record<string, Known>>;
  readonly seed: number;
  /** Events planned for all fields; 0 if the limit is a time. */
  readonly of: number;
  readonly problem: string;
  /** The set that the results are about. */
  readonly about: SetDocument | undefined;
}

export interface Auditing extends State {
  readonly events: number;
  begin(amount: Amount, seed: number): void;
  stop(): void;
}

const nothing: State = { is: 'not yet', byField: {}, seed: 1, of: 0, problem: '', about: undefined };
const stopped = (state: State): State => (state.is === 'under way' ? { ...state, is: 'stopped' } : state);

/** Most workers, however many cores there are: each contains all fields of the set. */
const mostThreads = 8;

/** The state after some more steps. */
function withSteps(byField: State['byField'], steps: readonly Audited[]): State['byField'] {
  const next = { ...byField };
  for (const { field, events, found } of steps) {
    const known = next[field] ?? { events: 0, found: [] };
    next[field] = {
      events: known.events + events,
      found: found ? together([...known.found, found]) : known.found,
    };
  }
  return next;
}

/**
 * Checks the laws of a set's fields on request, in a worker per core. Results stay when it is stopped or the
 * page is reloaded.
 */
export function useAudit(setId: string, document: SetDocument, today: string): Auditing {
  const [state, setState] = useKept<State>(`${setId} audit`, nothing, stopped);
  const threads = useRef<readonly Worker[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const end = useCallback(() => {
    clearTimeout(timer.current);
    for (const worker of threads.current) worker.terminate();
    threads.current = [];
  }, []);
  useEffect(() => end, [end]);
  const begin = (amount: Amount, seed: number): void => {
    end();
    const every = Math.max(1, Math.min(mostThreads, navigator.hardwareConcurrency || 1));
    const events = 'events' in amount ? amount.events : Number.MAX_SAFE_INTEGER;
    const of = 'events' in amount ? amount.events * document.fields.length : 0;
    setState(() => ({ ...nothing, is: 'under way', seed, of, about: document }));
    let running = every;
    let problem = '';
    const done = (worker: Worker): void => {
      worker.terminate();
      running--;
      if (running > 0) return;
      clearTimeout(timer.current);
      setState((now) => ({ ...now, is: problem ? 'failed' : 'done', problem }));
    };
    threads.current = Array.from({ length: every }, (_, first) => {
      const worker: Worker = start((answered) => {
        if (!threads.current.includes(worker)) return;
        // What the other workers find is still useful.
        if (answered.is === 'failed') {
          problem = answered.why;
          done(worker);
        }
        if (answered.is !== 'audited') return;
        setState((now) => ({ ...now, byField: withSteps(now.byField, answered.steps) }));
        if (answered.done) done(worker);
      });
      worker.postMessage({ do: 'audit', document, wanted: { seed, events, today, first, every } });
      return worker;
    });
    if ('minutes' in amount)
      timer.current = setTimeout(() => {
        end();
        setState((now) => ({ ...now, is: 'done' }));
      }, amount.minutes * 60_000);
  };
  return {
    ...state,
    events: Object.values(state.byField).reduce((sum, { events }) => sum + events, 0),
    begin,
    stop() {
      end();
      setState((now) => ({ ...now, is: 'stopped' }));
    },
  };
}

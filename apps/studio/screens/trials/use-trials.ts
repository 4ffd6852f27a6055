'use client';

import { localToday } from '@arbeit/dom';
import type { SetDocument } from '@arbeit/engine/document';
import type { MutantResult, Reach } from '@arbeit/engine/proof';
import { holds, type Trial } from '@arbeit/engine/tape';
import { useEffect, useRef, useState } from 'react';
import { todayIn } from '../../model/clock.ts';
import { useKept } from '../../model/kept.ts';
import { keepResults } from '../../model/last-results.ts';
import { keyOf } from '../../model/trial-keys.ts';
import type { Ran } from '../../workers/trials/messages.ts';
import { useThread } from '../../workers/trials/threads.ts';

export interface Running {
  /** What came of each trial as it stands; nothing of those that are still to be run. */
  readonly outcomes: ReadonlyMap<string, Ran>;
  readonly isRunning: boolean;
  readonly problem: string;
  readonly today: string;
  again(): void;
  stop(): void;
}

/**
 * Trials, run in a thread as they and their definitions change: those alone that a change reaches. Run again,
 * what is known stays until it is known anew.
 */
export function useRunning(setId: string, document: SetDocument): Running {
  const today = todayIn(setId) ?? localToday();
  const known = useRef(new Map<string, Ran>());
  const [outcomes, setOutcomes] = useState<ReadonlyMap<string, Ran>>(new Map());
  const [isRunning, setRunning] = useState(false);
  const [problem, setProblem] = useState('');
  const keys = useRef(new Map<string, string>());
  const { ask, stop } = useThread((answered) => {
    if (answered.is === 'failed') {
      setProblem(answered.why);
      setRunning(false);
    }
    if (answered.is !== 'ran') return;
    for (const one of answered.outcomes) {
      const key = keys.current.get(one.id);
      if (key !== undefined) known.current.set(key, one);
    }
    if (answered.done) {
      setRunning(false);
      keep();
    }
    show();
  });
  /** What is known of all of them is kept for the shelf. */
  const keep = (): void => {
    const outcomes = [...keys.current].flatMap(([id, key]) => {
      const one = known.current.get(key);
      return one ? [{ id, key, holds: holds(one) }] : [];
    });
    void keepResults(setId, outcomes);
  };
  const show = (): void =>
    setOutcomes(
      new Map(
        [...keys.current].flatMap(([id, key]) => {
          const one = known.current.get(key);
          return one ? [[id, one] as const] : [];
        }),
      ),
    );
  const run = (trials: readonly Trial[], isAgain = false): void => {
    setProblem('');
    keys.current = new Map((document.trials ?? []).map((trial) => [trial.id, keyOf(document, trial, today)]));
    show();
    const wanted = trials.filter(({ id }) => isAgain || !known.current.has(keys.current.get(id) ?? ''));
    // Of tapes that are written letter by letter each is known for a moment; only those that stand are kept.
    const present = new Set(keys.current.values());
    for (const key of known.current.keys()) if (!present.has(key)) known.current.delete(key);
    setRunning(wanted.length > 0);
    if (wanted.length > 0) ask({ do: 'run', document, trials: wanted, today });
    else stop();
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: another document is what is run anew
  useEffect(() => run(document.trials ?? []), [document, today]);
  return {
    outcomes,
    isRunning,
    problem,
    today,
    again() {
      run(document.trials ?? [], true);
    },
    stop() {
      stop();
      setRunning(false);
    },
  };
}

export interface MutationRun {
  readonly proven: readonly MutantResult[];
  readonly tried: number;
  readonly of: number;
  readonly is: 'not yet' | 'under way' | 'stopped' | 'done' | 'failed';
  readonly problem: string;
  /** The set it was asked about; what was found is about that one. */
  readonly about: SetDocument | undefined;
  begin(): void;
  stop(): void;
}

/** What was under way when its page was closed was stopped with it. */
const stopped = (state: Omit<MutationRun, 'begin' | 'stop'>): Omit<MutationRun, 'begin' | 'stop'> =>
  state.is === 'under way' ? { ...state, is: 'stopped' } : state;

const nothing = { proven: [], tried: 0, of: 0, is: 'not yet', problem: '', about: undefined } as const;

/**
 * A set broken on purpose, in a thread, when it is asked for. What was found stays, stopped or reloaded,
 * until it is broken anew.
 */
export function useMutationRun(setId: string, document: SetDocument, today: string): MutationRun {
  const [state, setState] = useKept<Omit<MutationRun, 'begin' | 'stop'>>(`${setId} breaks`, nothing, stopped);
  const { ask, stop } = useThread((answered) => {
    if (answered.is === 'failed') setState((now) => ({ ...now, is: 'failed', problem: answered.why }));
    if (answered.is !== 'broke') return;
    const { proven, tried, of, done } = answered;
    setState((now) => ({
      ...now,
      proven: [...now.proven, ...proven],
      tried,
      of,
      is: done ? 'done' : 'under way',
    }));
  });
  return {
    ...state,
    begin() {
      setState(() => ({ ...nothing, is: 'under way', about: document }));
      ask({ do: 'break', document, today });
    },
    stop() {
      stop();
      setState((now) => ({ ...now, is: 'stopped' }));
    },
  };
}

/**
 * So long somebody has to have written nothing before what is reached is worked out again, in milliseconds.
 */
const calm = 300;

/**
 * What the trials of a set reach, worked out in a thread after a change; what was known before stays until
 * then.
 */
export function useReach(document: SetDocument, today: string): readonly Reach[] {
  const [reach, setReach] = useState<readonly Reach[]>([]);
  const { ask } = useThread((answered) => {
    if (answered.is === 'reached') setReach(answered.reach);
  });
  useEffect(() => {
    const timer = setTimeout(() => ask({ do: 'reach', document, today }), calm);
    return () => clearTimeout(timer);
  }, [ask, document, today]);
  return reach;
}

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
import * as words from '../../words/trials/use-trials.ts';
import type { Ran } from '../../workers/trials/messages.ts';
import { useThread } from '../../workers/trials/threads.ts';

export interface Running {
  /** The current result of each trial; none for those that are still to run. */
  readonly outcomes: ReadonlyMap<string, Ran>;
  readonly isRunning: boolean;
  readonly problem: string;
  readonly today: string;
  again(): void;
  stop(): void;
}

/**
 * Runs trials in a worker as they and their definitions change, only those that a change affects. During
 * another run, former results stay until there are new ones.
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
  /** Stores the results for the shelf. */
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
    // While a tape is written, each version has a result for a moment; only those of current tapes are kept.
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
  /** The set that the results are about. */
  readonly about: SetDocument | undefined;
  begin(): void;
  stop(): void;
}

/** A test that was running when its page was closed counts as stopped. */
const stopped = (state: Omit<MutationRun, 'begin' | 'stop'>): Omit<MutationRun, 'begin' | 'stop'> =>
  state.is === 'under way' ? { ...state, is: 'stopped' } : state;

const nothing = { proven: [], tried: 0, of: 0, is: words.notYet, problem: '', about: undefined } as const;

/**
 * Runs the mutation tests of a set in a worker, on request. Results stay when it is stopped or the page is
 * reloaded, until the next run.
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

/** Pause in typing before the coverage is computed again, in milliseconds. */
const calm = 300;

/** The coverage of a set's trials, computed in a worker after a change; the former one stays until then. */
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

'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import * as words from '../../words/handoff/use-made.ts';
import type { Choice } from './choice.ts';
import { type Made, make } from './made.ts';

/** The state of building a hand-off. The previous result stays visible during the next build. */
export interface Making {
  readonly made: Made | undefined;
  /** From 0 to 1 during the build, otherwise `undefined`. */
  readonly done: number | undefined;
  readonly step: string;
  readonly problem: string | undefined;
  readonly isStopped: boolean;
  stop(): void;
  again(): void;
}

/** Builds the chosen hand-off, again after each change of the choice. */
export function useMade(setKey: string, choice: Choice): Making {
  const [made, setMade] = useState<Made>();
  const [progress, setProgress] = useState<{ step: string; done: number } | undefined>({ step: '', done: 0 });
  const [problem, setProblem] = useState<string>();
  const [isStopped, setStopped] = useState(false);
  const call = useRef<AbortController>(undefined);
  const wanted = JSON.stringify(choice);
  const begin = useCallback(() => {
    call.current?.abort();
    const own = new AbortController();
    call.current = own;
    setProblem(undefined);
    setStopped(false);
    setProgress({ step: '', done: 0 });
    const { fields, forms } = JSON.parse(wanted) as Choice;
    if (fields.length + forms.length === 0) {
      setProgress(undefined);
      setProblem(words.selectAtLeastOneField);
      return own;
    }
    make(
      setKey,
      JSON.parse(wanted) as Choice,
      {
        onStep: (step, done) => call.current === own && setProgress({ step, done }),
        onMade: (next) => call.current === own && setMade(next),
      },
      own.signal,
    )
      .catch((error: unknown) => {
        if (call.current !== own || own.signal.aborted) return;
        const isOffline = error instanceof TypeError;
        setProblem(isOffline ? words.noResponseFromTheServerTry : (error as Error).message);
      })
      .finally(() => call.current === own && setProgress(undefined));
    return own;
  }, [setKey, wanted]);
  useEffect(() => {
    const own = begin();
    return () => own.abort();
  }, [begin]);
  return {
    made,
    done: progress?.done,
    step: progress?.step ?? '',
    problem,
    isStopped,
    stop() {
      call.current?.abort();
      setProgress(undefined);
      setStopped(true);
    },
    again: () => void begin(),
  };
}

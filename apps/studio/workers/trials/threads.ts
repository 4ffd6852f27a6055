'use client';

import { useCallback, useEffect, useRef } from 'react';
import * as words from '../../words/store/workers-threads.ts';
import { heard } from '../heard.ts';
import type { Answered, TrialRequest } from './messages.ts';

/** Starts a worker for trials. A worker that ends unexpectedly is reported as failed. */
export const start = (hear: (answered: Answered) => void): Worker =>
  heard<Answered>(
    new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }),
    words.theTestRunnerStoppedUnexpectedly,
    hear,
  );

/** Whether a reply is the last of its request. */
const isLast = (answered: Answered): boolean => !('done' in answered) || answered.done;

/**
 * Sends requests to a worker, one after the other. A request made while another is running ends that one and
 * gets a new worker.
 */
export function useThread(hear: (answered: Answered) => void): {
  ask(asked: TrialRequest): void;
  stop(): void;
} {
  const thread = useRef<{ readonly worker: Worker; isBusy: boolean }>(undefined);
  const latest = useRef(hear);
  latest.current = hear;
  const stop = useCallback(() => {
    thread.current?.worker.terminate();
    thread.current = undefined;
  }, []);
  const ask = useCallback(
    (asked: TrialRequest) => {
      if (thread.current?.isBusy) stop();
      if (!thread.current) {
        const worker = start((answered) => {
          // A message of a worker that was ended is about a former set.
          if (thread.current?.worker !== worker) return;
          if (isLast(answered)) thread.current.isBusy = false;
          // A worker that failed may be gone.
          if (answered.is === 'failed') stop();
          latest.current(answered);
        });
        thread.current = { worker, isBusy: true };
      }
      thread.current.isBusy = true;
      thread.current.worker.postMessage(asked);
    },
    [stop],
  );
  useEffect(() => stop, [stop]);
  return { ask, stop };
}

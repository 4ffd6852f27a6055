'use client';

import type { EquivalentConfig } from '@arbeit/engine/proof';
import { useRef } from 'react';
import { useKept } from '../../model/kept.ts';
import * as words from '../../words/trials/use-function.ts';
import type { Wired } from '../../workers/trials/messages.ts';
import { useThread } from '../../workers/trials/threads.ts';

/** What is known of a pasted function. */
export type Tried =
  | { readonly is: 'not yet' }
  | { readonly is: 'under way'; readonly events: number; readonly of: number }
  | { readonly is: 'stopped' }
  | { readonly is: 'no function'; readonly why: string; readonly line?: number }
  | { readonly is: 'failed'; readonly why: string }
  | { readonly is: 'tried'; readonly wired: readonly Wired[]; readonly same: EquivalentConfig | null };

/**
 * Time without a message after which a worker is ended, in milliseconds. Each call of the function is ended
 * sooner, except for work inside its engine.
 */
const patience = 8000;

/** A check that was running when its page was closed counts as stopped. */
const stopped = (tried: Tried): Tried => (tried.is === 'under way' ? { is: 'stopped' } : tried);

/** Checks a function in a worker, on request. A function that does not end is ended with its worker. */
export function useFunction(setId: string): {
  readonly tried: Tried;
  begin(code: string): void;
  stop(): void;
} {
  const [tried, change] = useKept<Tried>(`${setId} tried`, { is: 'not yet' }, stopped);
  const setTried = (next: Tried): void => change(() => next);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const { ask, stop } = useThread((answered) => {
    clearTimeout(timer.current);
    if (answered.is === 'trying') {
      setTried({ is: 'under way', events: answered.events, of: answered.of });
      wait();
    } else if (answered.is === 'tried' || answered.is === 'no function' || answered.is === 'failed')
      setTried(answered);
  });
  const wait = (): void => {
    timer.current = setTimeout(() => {
      stop();
      setTried({
        is: 'failed',
        why: words.stoppedLong,
      });
    }, patience);
  };
  return {
    tried,
    begin(code) {
      clearTimeout(timer.current);
      setTried({ is: 'under way', events: 0, of: 0 });
      ask({ do: 'function', code });
      wait();
    },
    stop() {
      clearTimeout(timer.current);
      stop();
      setTried({ is: 'stopped' });
    },
  };
}

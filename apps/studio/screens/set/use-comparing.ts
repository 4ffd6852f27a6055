'use client';

import type { SetDocument } from '@arbeit/engine/document';
import type { Compared } from '@arbeit/engine/proof';
import { useEffect, useRef, useState } from 'react';
import * as words from '../../words/set/use-comparing.ts';
import type { ComparedStep } from '../../workers/compare/messages.ts';
import { heard } from '../../workers/heard.ts';

export interface Comparing {
  readonly is: 'not yet' | 'under way' | 'stopped' | 'done' | 'failed';
  readonly compared: readonly Compared[];
  readonly problem: string;
}

const nothing: Comparing = { is: 'not yet', compared: [], problem: '' };

/** Compares two sets in a worker, on request. Results stay when it is stopped. */
export function useComparing(today: string): Comparing & {
  begin(both: () => Promise<readonly [SetDocument, SetDocument]>): void;
  stop(): void;
} {
  const [state, setState] = useState<Comparing>(nothing);
  const worker = useRef<Worker>(undefined);
  const turn = useRef(0);
  const end = (): void => {
    turn.current++;
    worker.current?.terminate();
    worker.current = undefined;
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const fail = (why: string): void => setState((now) => ({ ...now, is: 'failed', problem: why }));
  return {
    ...state,
    begin(both) {
      end();
      const own = turn.current;
      setState({ ...nothing, is: 'under way' });
      both().then(
        ([before, after]) => {
          if (turn.current !== own) return;
          worker.current = heard<ComparedStep>(
            new Worker(new URL('../../workers/compare/worker.ts', import.meta.url), { type: 'module' }),
            words.theComparisonStoppedUnexpectedly,
            (step) => {
              if (turn.current !== own) return;
              if (step.is === 'compared')
                setState((now) => ({ ...now, compared: [...now.compared, step.compared] }));
              else if (step.is === 'failed') fail(step.why);
              else setState((now) => ({ ...now, is: 'done' }));
            },
          );
          worker.current.postMessage({ before, after, today });
        },
        (error: Error) => {
          if (turn.current === own) fail(error.message);
        },
      );
    },
    stop() {
      end();
      setState((now) => ({ ...now, is: 'stopped' }));
    },
  };
}

'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { type Counterexample, together } from '@arbeit/engine/proof';
import { useEffect, useRef, useState } from 'react';
import * as words from '../../words/custom-code/use-laws.ts';
import { useThread } from '../../workers/trials/threads.ts';

/** Number of events: enough to find what a format does wrong, done before one looks up. */
const events = 4000;
/** Pause in typing before a check, and time limit of its thread, in milliseconds. */
const calm = 500;
const patience = 8000;

interface Known {
  readonly is: 'under way' | 'done' | 'failed';
  readonly events: number;
  readonly found: readonly Counterexample[];
  readonly problem: string;
}

const nothing: Known = { is: 'under way', events: 0, found: [], problem: '' };

/**
 * Whether the laws of a field hold, checked in a thread after each change of its definition. A thread that
 * does not return is ended.
 */
export function useLaws(definition: FieldDocument, set: Pick<SetDocument, 'locale' | 'classes'>): Known {
  const [known, setKnown] = useState(nothing);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const { ask, stop } = useThread((answered) => {
    clearTimeout(timer.current);
    if (answered.is === 'failed') setKnown((now) => ({ ...now, is: 'failed', problem: answered.why }));
    if (answered.is !== 'audited') return;
    const found = answered.steps.flatMap((step) => step.found ?? []);
    const more = answered.steps.reduce((sum, step) => sum + step.events, 0);
    setKnown((now) => ({
      is: answered.done ? 'done' : 'under way',
      events: now.events + more,
      found: together([...now.found, ...found]),
      problem: '',
    }));
    if (!answered.done) timer.current = setTimeout(giveUp, patience);
  });
  const giveUp = (): void => {
    stop();
    setKnown((now) => ({
      ...now,
      is: 'failed',
      problem: words.stoppedLong,
    }));
  };
  const { locale, classes } = set;
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked anew with a definition, not with a thread
  useEffect(() => {
    // Results that still arrive are about the former code.
    stop();
    setKnown(nothing);
    const document: SetDocument = {
      arbeit: 2,
      title: definition.label,
      locale,
      ...(classes ? { classes } : {}),
      fields: [{ ...definition, rules: [] } as FieldDocument],
    };
    const wanted = { seed: 1, events, today: '', first: 0, every: 1 };
    const soon = setTimeout(() => {
      ask({ do: 'audit', document, wanted });
      timer.current = setTimeout(giveUp, patience);
    }, calm);
    return () => {
      clearTimeout(soon);
      clearTimeout(timer.current);
    };
  }, [definition, locale, classes, ask, stop]);
  return known;
}

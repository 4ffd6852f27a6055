'use client';

import type { FormStore } from '@arbeit/dom';
import type { SetDocument } from '@arbeit/engine/document';
import { formEvents, parseTape } from '@arbeit/engine/tape';
import { useEffect, useRef } from 'react';

/**
 * Plays the trial in the address on the form after hydration, up to the line that the address names. Server
 * checks are answered by the real stand-ins, so the tape's own answers are skipped.
 */
export function useNamedTrial(document: SetDocument, store: FormStore): void {
  const isPlayed = useRef(false);
  useEffect(() => {
    if (isPlayed.current) return;
    const asked = new URLSearchParams(location.search);
    const trial = document.trials?.find(({ id }) => id === asked.get('trial'));
    const read = trial && parseTape(trial.tape);
    if (!read?.ok) return;
    isPlayed.current = true;
    const line = Number(asked.get('line') ?? Number.POSITIVE_INFINITY);
    let about = store.form.fields[0]?.id ?? '';
    for (const step of read.tape.steps) {
      if (step.line > line) return;
      if (step.do === 'expect' || step.do === 'wait' || step.do === 'answer' || step.do === 'sent') continue;
      const events = formEvents(store.form, step, store.state(), about);
      if ('message' in events) return;
      for (const event of events) if (event) store.dispatch(event);
      about = store.state().focus ?? about;
    }
  }, [document, store]);
}

'use client';

import { fieldIdsOf } from '@arbeit/engine/document';
import { holds, type Trial } from '@arbeit/engine/tape';
import { useEffect, useRef, useState } from 'react';
import { addTrials } from '../../model/trial-edits.ts';
import type { EditedSet } from '../../model/use-set.ts';
import * as words from '../../words/trials/trial-list.ts';
import { TrialRow } from './trial-row.tsx';
import type { Running } from './use-trials.ts';

const none: readonly Trial[] = [];

/** The number of trials, whether they pass, and a row for each. */
export function TrialList({ set, running }: { readonly set: EditedSet; readonly running: Running }) {
  const trials = set.document.trials ?? none;
  const [open, setOpen] = useOpen(trials);
  const { outcomes, isRunning, problem } = running;
  const add = () => {
    const [form] = (set.document.forms ?? []).filter((one) => fieldIdsOf(one).length > 0);
    const [field] = set.document.fields;
    const about = field ? `field ${field.id}` : form ? `form ${form.id}` : '';
    const fresh = { id: 'trial', name: words.aNewTrial, tape: `${about}\nfocus\nleave\nexpect codes none\n` };
    const added = addTrials(set.document, [fresh]);
    set.edit(() => added.set);
    setOpen(added.ids[0] ?? null);
  };
  const ran = trials.filter(({ id }) => outcomes.has(id));
  const missing = ran.filter(({ id }) => {
    const outcome = outcomes.get(id);
    return outcome && !holds(outcome);
  }).length;
  const spent = ran.reduce((sum, { id }) => sum + (outcomes.get(id)?.milliseconds ?? 0), 0);
  const said = problem
    ? problem
    : trials.length === 0
      ? words.noTrialsYet
      : ran.length < trials.length
        ? isRunning
          ? words.ofRun(ran.length, trials.length)
          : words.stoppedAfter(ran.length, trials.length)
        : missing === 0
          ? words.allPassedInMs(trials.length, Math.ceil(spent))
          : words.ofPassedFailed(trials.length - missing, trials.length, missing);
  return (
    <section aria-label={words.trials}>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">{words.trials}</h2>
        <span role="status" className={problem || missing ? 'text-brick' : 'text-faint'}>
          {said}
        </span>
        <div className="ml-auto flex gap-x-4">
          {isRunning ? (
            <button type="button" className="word-button" onClick={running.stop}>
              {words.stop}
            </button>
          ) : (
            <button
              type="button"
              className="word-button"
              disabled={trials.length === 0}
              onClick={running.again}
            >
              {words.runAgain}
            </button>
          )}
          <button
            type="button"
            className="word-button"
            disabled={set.document.fields.length === 0}
            onClick={add}
          >
            {words.newTrial}
          </button>
        </div>
      </div>
      {trials.length === 0 && <p className="py-3 text-faint">{words.aTrialIsARecorded}</p>}
      <ol>
        {trials.map((trial, i) => (
          <TrialRow
            key={trial.id}
            set={set}
            trial={trial}
            at={i}
            outcome={outcomes.get(trial.id)}
            today={running.today}
            isOpen={open === trial.id}
            onOpen={(isOpen) => setOpen(isOpen ? trial.id : null)}
          />
        ))}
      </ol>
    </section>
  );
}

/** The trial that is open. */
function useOpen(trials: readonly Trial[]) {
  const [open, setOpen] = useState<string | null>(null);
  const isThere = useRef(false);
  // Opens the trial in the address once it exists: a new one may not be loaded yet.
  useEffect(() => {
    const named = isThere.current ? null : linked(trials.map(({ id }) => id));
    if (named === null) return;
    isThere.current = true;
    setOpen(named);
    window.document.getElementById(named)?.scrollIntoView({ block: 'nearest' });
  }, [trials]);
  return [open, setOpen] as const;
}

/** The trial in the address. */
function linked(ids: readonly string[]): string | null {
  const named = decodeURIComponent(location.hash.slice(1));
  return ids.includes(named) ? named : null;
}

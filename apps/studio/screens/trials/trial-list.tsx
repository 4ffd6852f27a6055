'use client';

import { fieldIdsOf } from '@arbeit/engine/document';
import { holds, type Trial } from '@arbeit/engine/tape';
import { useEffect, useRef, useState } from 'react';
import { addTrials } from '../../model/trial-edits.ts';
import type { EditedSet } from '../../model/use-set.ts';
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
    const fresh = { id: 'trial', name: 'A new trial', tape: `${about}\nfocus\nleave\nexpect codes none\n` };
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
      ? 'No trials yet.'
      : ran.length < trials.length
        ? isRunning
          ? `${ran.length} of ${trials.length} run…`
          : `Stopped after ${ran.length} of ${trials.length}.`
        : missing === 0
          ? `${trials.length === 1 ? 'Passed' : `All ${trials.length} passed`} in ${Math.ceil(spent)} ms.`
          : `${trials.length - missing} of ${trials.length} passed, ${missing} failed.`;
  return (
    <section aria-label="Trials">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">Trials</h2>
        <span role="status" className={problem || missing ? 'text-brick' : 'text-faint'}>
          {said}
        </span>
        <div className="ml-auto flex gap-x-4">
          {isRunning ? (
            <button type="button" className="word-button" onClick={running.stop}>
              Stop
            </button>
          ) : (
            <button
              type="button"
              className="word-button"
              disabled={trials.length === 0}
              onClick={running.again}
            >
              Run again
            </button>
          )}
          <button
            type="button"
            className="word-button"
            disabled={set.document.fields.length === 0}
            onClick={add}
          >
            New trial
          </button>
        </div>
      </div>
      {trials.length === 0 && (
        <p className="py-3 text-faint">
          A trial is a recorded tape with expectations: a test for a field. Record one on the desk of a field,
          write one here, or generate them with the mutation tests below.
        </p>
      )}
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

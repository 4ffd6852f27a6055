'use client';

import { holds, type Trial } from '@arbeit/engine/tape';
import { memo, useId } from 'react';
import { changeTrial, moveTrial, removeTrial, targetOf } from '../../model/trial-edits.ts';
import { nameOf } from '../../model/trial-keys.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { deferred } from '../../ui/later.tsx';
import { Link } from '../../ui/link.tsx';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import { WordInPlace } from '../../ui/word-in-place.tsx';
import * as words from '../../words/trials/trial-row.ts';
import type { Ran } from '../../workers/trials/messages.ts';
import { ByHands } from './by-hands.tsx';
import { Misses } from './misses.tsx';

const TrialTape = deferred(() => import('./trial-tape.tsx').then((one) => one.TrialTape));

/**
 * A trial on one line: whether it passes, its name, what it is played on. When open: why it exists, its tape,
 * what failed.
 */
export const TrialRow = memo(function TrialRow({
  set,
  trial,
  at,
  outcome,
  today,
  isOpen,
  onOpen,
}: {
  readonly set: EditedSet;
  readonly trial: Trial;
  readonly at: number;
  readonly outcome: Ran | undefined;
  readonly today: string;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
}) {
  const id = useId();
  const target = targetOf(trial);
  const isGood = outcome !== undefined && holds(outcome);
  const name = trial.name ?? trial.id;
  const edit: Edit = (change, about) =>
    set.edit((d) => changeTrial(d, trial.id, change), `trial ${trial.id} ${about}`);
  return (
    <li id={trial.id} className="trial">
      <div className="trial-line">
        <button
          type="button"
          className="fold"
          aria-expanded={isOpen}
          aria-controls={id}
          aria-label={words.closeOpen(isOpen, name)}
          onClick={() => onOpen(!isOpen)}
        >
          {isOpen ? '▾' : '▸'}
        </button>
        {outcome ? (
          <VerdictIcon verdict={isGood ? 'pass' : 'fail'} bare />
        ) : (
          <VerdictIcon verdict="open" bare />
        )}
        <WordInPlace
          label={words.nameOfTheTrial(trial.id)}
          value={trial.name ?? ''}
          missing={trial.id}
          onChange={(text) =>
            edit(({ name: _, ...one }) => ({ ...one, ...(text.trim() ? { name: text } : {}) }), 'name')
          }
        />
        <span className="trial-on">
          {target && (
            <Link href={`/sets/${set.key}/${target.type}s/${target.id}`} className="word-button">
              {nameOf(set.document, target)}
            </Link>
          )}
        </span>
        <span className={`trial-said ${outcome && !isGood ? 'text-brick' : 'text-faint'}`}>
          {outcome
            ? isGood
              ? words.ofExpectationsMet(outcome.expected)
              : outcome.faults.length > 0
                ? words.theTapeCould
                : words.ofExpectationsFailed(outcome.misses.length, outcome.expected)
            : words.notRunYet}
        </span>
      </div>
      <div id={id} hidden={!isOpen} className="trial-open">
        {isOpen && <Opened set={set} trial={trial} at={at} outcome={outcome} today={today} onEdit={edit} />}
      </div>
    </li>
  );
});

/** Edits a trial; consecutive changes about the same thing are one undo step. */
type Edit = (change: (one: Trial) => Trial, about: string) => void;

/** Why a trial exists, what failed, its tape, and its actions. */
function Opened({
  set,
  trial,
  at,
  outcome,
  today,
  onEdit,
}: {
  readonly set: EditedSet;
  readonly trial: Trial;
  readonly at: number;
  readonly outcome: Ran | undefined;
  readonly today: string;
  readonly onEdit: Edit;
}) {
  const target = targetOf(trial);
  const last = (set.document.trials ?? []).length - 1;
  const move = (to: number) => set.edit((d) => moveTrial(d, trial.id, to));
  return (
    <>
      <WordInPlace
        label={words.descriptionOfTheTrial(trial.id)}
        value={trial.why ?? ''}
        missing={words.addADescription}
        className="text-faint"
        onChange={(text) =>
          onEdit(
            ({ why: _, tape, ...one }) => ({ ...one, ...(text.trim() ? { why: text } : {}), tape }),
            'why',
          )
        }
      />
      {outcome && <Misses set={set} trial={trial} outcome={outcome} />}
      <TrialTape
        set={set.document}
        name={`${set.id}/trials/${trial.id}`}
        trial={trial}
        onChange={(tape) => onEdit((one) => ({ ...one, tape }), 'tape')}
      />
      <ByHands setKey={set.key} document={set.document} trial={trial} today={today} />
      <div className="flex flex-wrap gap-x-4">
        <button type="button" className="word-button" disabled={at === 0} onClick={() => move(at - 1)}>
          {' '}
          {words.moveUp}{' '}
        </button>
        <button type="button" className="word-button" disabled={at === last} onClick={() => move(at + 1)}>
          {' '}
          {words.moveDown}{' '}
        </button>
        {target && (
          <Link
            href={`/sets/${set.key}/${target.type}s/${target.id}?trial=${encodeURIComponent(trial.id)}`}
            className="word-button"
          >
            {target.type === 'field' ? words.playOnDesk : words.playOnForm}
          </Link>
        )}
        <button
          type="button"
          className="word-button ml-auto"
          onClick={() => set.edit((d) => removeTrial(d, trial.id))}
        >
          {words.deleteTrial}
        </button>
      </div>
    </>
  );
}

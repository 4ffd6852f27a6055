'use client';

import type { MutantResult, MutantStatus } from '@arbeit/engine/proof';
import type { Trial } from '@arbeit/engine/tape';
import { useState } from 'react';
import { useHasChanged } from '../../model/kept.ts';
import { addTrials, removeTrial } from '../../model/trial-edits.ts';
import { nameOf } from '../../model/trial-keys.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { Link } from '../../ui/link.tsx';
import { Mark, type Shape } from '../../ui/mark.tsx';
import * as texts from '../../words/trials/mutation-tests.ts';
import { SuggestedTrials } from './suggested-trials.tsx';
import type { MutationRun } from './use-trials.ts';

const fates: Readonly<Record<MutantStatus['is'], string>> = {
  caught: texts.caught,
  missed: texts.notCaught,
  same: texts.equivalent,
  unknown: texts.noDifferenceFound,
};
/** The order of the results: first what needs work. */
const order = ['missed', 'unknown', 'same', 'caught'] as const;

/** The proposed trials, each once, that are not in the set yet. */
const found = (proven: readonly MutantResult[], taken: ReadonlySet<string>): readonly Trial[] =>
  proven.flatMap(({ status }) =>
    status.is === 'missed' && status.isNew && !taken.has(status.trial.tape) ? [status.trial] : [],
  );

/**
 * The mutation tests of a set: which trial catches which mutant, and a trial for each mutant that none
 * catches.
 */
export function MutationTests({
  set,
  breaking,
}: {
  readonly set: EditedSet;
  readonly breaking: MutationRun;
}) {
  const { proven, is, about } = breaking;
  const hasChanged = useHasChanged(about, set.document);
  const [isLooking, setLooking] = useState(false);
  /** Ids of the trials that were added last. */
  const [added, setAdded] = useState<readonly string[]>([]);
  const taken = new Set((set.document.trials ?? []).map(({ tape }) => tape));
  const fresh = found(proven, taken);
  const take = (trials: readonly Trial[]): readonly string[] => {
    const { set: next, ids } = addTrials(set.document, trials);
    set.edit(() => next);
    return ids;
  };
  const count = (one: MutantStatus['is']): number => proven.filter(({ status }) => status.is === one).length;
  const targets = [...new Map(proven.map(({ target }) => [`${target.type} ${target.id}`, target])).values()];
  return (
    <section aria-label={texts.mutationTests}>
      <Head
        breaking={breaking}
        isEmpty={set.document.fields.length === 0}
        fresh={fresh.length}
        isLooking={isLooking}
        onLook={setLooking}
      />
      {isLooking && fresh.length > 0 && (
        <SuggestedTrials
          trials={fresh}
          onAdd={(trials) => {
            setLooking(false);
            setAdded(take(trials));
          }}
          onClose={() => setLooking(false)}
        />
      )}
      <Added set={set} ids={added} />
      {is === 'not yet' ? (
        <p className="py-3 text-faint">{texts.changesOneThing}</p>
      ) : (
        <>
          <ul className="fates" aria-label={texts.results}>
            {order.map((one) => (
              <li key={one}>
                <FateMark is={one} /> {count(one)} {fates[one]}
              </li>
            ))}
          </ul>
          {hasChanged && is !== 'under way' && <p className="caption">{texts.theSetHasChangedSince}</p>}
          <ol>
            {targets.map((target) => (
              <Target
                key={`${target.type} ${target.id}`}
                set={set}
                target={target}
                proven={proven.filter(
                  (one) => one.target.type === target.type && one.target.id === target.id,
                )}
                taken={taken}
                onTake={(trials) => setAdded(take(trials))}
              />
            ))}
          </ol>
        </>
      )}
    </section>
  );
}

/** What the tests do, their progress, and the actions on all of them. */
function Head({
  breaking,
  isEmpty,
  fresh,
  isLooking,
  onLook,
}: {
  readonly breaking: MutationRun;
  readonly isEmpty: boolean;
  /** Number of suggested trials that are not in the set. */
  readonly fresh: number;
  readonly isLooking: boolean;
  readonly onLook: (isLooking: boolean) => void;
}) {
  const { tried, of, is, problem } = breaking;
  const said = {
    'not yet': texts.notRunYetSentence,
    'under way': texts.ofMutationsTested(tried, of),
    stopped: texts.stoppedAfterOfMutations(tried, of),
    done: texts.mutationsTested(of),
    failed: problem,
  }[is];
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
      <h2 className="font-semibold">{texts.mutationTests}</h2>
      <span role="status" className={is === 'failed' ? 'text-brick' : 'text-faint'}>
        {said}
      </span>
      <progress
        aria-label={texts.mutationsTestedSoFar}
        max={of || 1}
        value={tried}
        hidden={is !== 'under way'}
      />
      <div className="ml-auto flex flex-wrap gap-x-4">
        {fresh > 0 && (
          <button
            type="button"
            className="word-button"
            aria-expanded={isLooking}
            onClick={() => onLook(!isLooking)}
          >
            {texts.addAllSuggestedTrials(fresh)}
          </button>
        )}
        {is === 'under way' ? (
          <button type="button" className="word-button" onClick={breaking.stop}>
            {texts.stop}
          </button>
        ) : (
          <button type="button" className="word-button" disabled={isEmpty} onClick={breaking.begin}>
            {is === 'not yet' ? texts.runMutationTests : texts.runAgain}
          </button>
        )}
      </div>
    </div>
  );
}

/** How many suggested trials were added last, with a way to remove them again. */
function Added({ set, ids }: { readonly set: EditedSet; readonly ids: readonly string[] }) {
  const present = ids.filter((id) => set.document.trials?.some((trial) => trial.id === id));
  return (
    <p className="min-h-6">
      <span aria-live="polite">{present.length > 0 && texts.trialsWereAdded(present.length)}</span>{' '}
      {present.length > 0 && (
        <button
          type="button"
          className="word-button"
          onClick={() => set.edit((d) => present.reduce(removeTrial, d))}
        >
          {texts.removeAddedTrials}
        </button>
      )}
    </p>
  );
}

const shapes: Readonly<Record<MutantStatus['is'], Shape>> = {
  caught: 'full',
  missed: 'barred',
  unknown: 'half',
  same: 'dot',
};

/**
 * The status of a mutant as a shape: full for caught, hollow with a bar for missed, half for unknown, a dot
 * for equivalent.
 */
const FateMark = ({ is, title }: { readonly is: MutantStatus['is']; readonly title?: string }) => (
  <span className="fate" data-fate={is}>
    <Mark shape={shapes[is]} title={title} size={11} />
  </span>
);

/** The mutants of one field or form: a strip of marks, and a list when opened. */
function Target({
  set,
  target,
  proven,
  taken,
  onTake,
}: {
  readonly set: EditedSet;
  readonly target: MutantResult['target'];
  readonly proven: readonly MutantResult[];
  readonly taken: ReadonlySet<string>;
  readonly onTake: (trials: readonly Trial[]) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const name = nameOf(set.document, target);
  const missed = proven.filter(({ status }) => status.is === 'missed').length;
  const id = `fates-${target.type}-${target.id}`;
  return (
    <li className="fate-of">
      <div className="fate-line">
        <button
          type="button"
          className="fold"
          aria-expanded={isOpen}
          aria-controls={id}
          aria-label={texts.mutationsOf(isOpen, name)}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? '▾' : '▸'}
        </button>
        <Link href={`/sets/${set.key}/${target.type}s/${target.id}`} className="word-button">
          {name}
        </Link>
        <span className="fate-strip">
          {proven.map((one) => (
            <FateMark key={one.id} is={one.status.is} title={`${one.words}: ${fates[one.status.is]}`} />
          ))}
        </span>
        <span className={missed ? 'text-brick' : 'text-faint'}>
          {missed ? texts.ofNotCaught(missed, proven.length) : texts.allCaught(proven.length)}
        </span>
      </div>
      <ul id={id} hidden={!isOpen}>
        {isOpen &&
          order.flatMap((is) =>
            proven
              .filter(({ status }) => status.is === is)
              .map((one) => <Way key={one.id} one={one} taken={taken} onTake={onTake} />),
          )}
      </ul>
    </li>
  );
}

/** One mutant, and its status; a proposed trial can be added. */
function Way({
  one: { words, status },
  taken,
  onTake,
}: {
  readonly one: MutantResult;
  readonly taken: ReadonlySet<string>;
  readonly onTake: (trials: readonly Trial[]) => void;
}) {
  const isTaken = status.is === 'missed' && taken.has(status.trial.tape);
  return (
    <li className="way">
      <FateMark is={status.is} />
      <div>
        <p className="first-letter:uppercase">{words}</p>
        <p className="caption">
          {status.is === 'caught' && texts.caughtBy(status.by)}
          {status.is === 'same' && texts.equivalentCompilesToIdenticalOutput}
          {status.is === 'unknown' && texts.noDifferenceWasFound(status.tries.toLocaleString('en-GB'))}
          {status.is === 'missed' &&
            !status.isNew &&
            texts.alsoCaughtByTheSuggested(status.trial.name ?? status.trial.id)}
          {isTaken && status.is === 'missed' && status.isNew && texts.added}
        </p>
        {status.is === 'missed' && status.isNew && !isTaken && (
          <>
            <pre className="value">{status.trial.tape.trim()}</pre>
            <button type="button" className="word-button" onClick={() => onTake([status.trial])}>
              {texts.addThisTrial}
            </button>
          </>
        )}
      </div>
    </li>
  );
}

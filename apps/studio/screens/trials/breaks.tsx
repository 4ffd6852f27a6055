'use client';

import type { Fate, Proven } from '@arbeit/engine/proof';
import type { Trial } from '@arbeit/engine/tape';
import { useState } from 'react';
import { useHasChanged } from '../../model/kept.ts';
import { addTrials } from '../../model/trial-edits.ts';
import { nameOf } from '../../model/trial-keys.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { Go } from '../../ui/go.tsx';
import { Mark, type Shape } from '../../ui/mark.tsx';
import type { Breaking } from './use-trials.ts';

const fates: Readonly<Record<Fate['is'], string>> = {
  caught: 'noticed by a trial',
  missed: 'noticed by none',
  same: 'changes nothing',
  unknown: 'no difference found',
};
/** In the order they are looked at: what is to be done first. */
const order = ['missed', 'unknown', 'same', 'caught'] as const;

/** The trials that were found, each once, and are not taken yet. */
const found = (proven: readonly Proven[], taken: ReadonlySet<string>): readonly Trial[] =>
  proven.flatMap(({ fate }) =>
    fate.is === 'missed' && fate.isNew && !taken.has(fate.trial.tape) ? [fate.trial] : [],
  );

/** The set broken on purpose: which trial notices which break, and a trial for each that none does. */
export function Breaks({ set, breaking }: { readonly set: EditedSet; readonly breaking: Breaking }) {
  const { proven, tried, of, is, problem, about } = breaking;
  const hasChanged = useHasChanged(about, set.document);
  const taken = new Set((set.document.trials ?? []).map(({ tape }) => tape));
  const fresh = found(proven, taken);
  const take = (trials: readonly Trial[]) => set.edit((d) => addTrials(d, trials).set);
  const count = (one: Fate['is']): number => proven.filter(({ fate }) => fate.is === one).length;
  const targets = [...new Map(proven.map(({ target }) => [`${target.type} ${target.id}`, target])).values()];
  const said = {
    'not yet': 'Not tried yet.',
    'under way': `${tried} of ${of} ways tried…`,
    stopped: `Stopped after ${tried} of ${of} ways.`,
    done: `${of} ways tried.`,
    failed: problem,
  }[is];
  return (
    <section aria-label="Broken on purpose">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">Broken on purpose</h2>
        <span role="status" className={is === 'failed' ? 'text-brick' : 'text-faint'}>
          {said}
        </span>
        <progress aria-label="Ways tried so far" max={of || 1} value={tried} hidden={is !== 'under way'} />
        <div className="ml-auto flex flex-wrap gap-x-4">
          {fresh.length > 0 && (
            <button type="button" className="word-button" onClick={() => take(fresh)}>
              Take {fresh.length === 1 ? 'the trial' : `all ${fresh.length} trials`} found
            </button>
          )}
          {is === 'under way' ? (
            <button type="button" className="word-button" onClick={breaking.stop}>
              Stop
            </button>
          ) : (
            <button
              type="button"
              className="word-button"
              disabled={set.document.fields.length === 0}
              onClick={breaking.begin}
            >
              {is === 'not yet' ? 'Break it' : 'Break it again'}
            </button>
          )}
        </div>
      </div>
      {is === 'not yet' ? (
        <p className="py-3 text-faint">
          Every rule is dropped, every limit put off by one, every cell made wider and narrower, and so on: a
          trial that is worth its name notices. For each way that none notices a short trial is looked for
          that would.
        </p>
      ) : (
        <>
          <ul className="fates" aria-label="What came of them">
            {order.map((one) => (
              <li key={one}>
                <FateMark is={one} /> {count(one)} {fates[one]}
              </li>
            ))}
          </ul>
          {hasChanged && is !== 'under way' && (
            <p className="caption">The set has been changed since: break it again to see what holds now.</p>
          )}
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
                onTake={take}
              />
            ))}
          </ol>
        </>
      )}
    </section>
  );
}

const shapes: Readonly<Record<Fate['is'], Shape>> = {
  caught: 'full',
  missed: 'barred',
  unknown: 'half',
  same: 'dot',
};

/** One break, by shape: noticed is full, missed is hollow with a bar, half what is not known, a dot what changes nothing. */
const FateMark = ({ is, title }: { readonly is: Fate['is']; readonly title?: string }) => (
  <span className="fate" data-fate={is}>
    <Mark shape={shapes[is]} title={title} size={11} />
  </span>
);

/** What came of breaking one field or form: drawn as a strip, and read where somebody asks. */
function Target({
  set,
  target,
  proven,
  taken,
  onTake,
}: {
  readonly set: EditedSet;
  readonly target: Proven['target'];
  readonly proven: readonly Proven[];
  readonly taken: ReadonlySet<string>;
  readonly onTake: (trials: readonly Trial[]) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const name = nameOf(set.document, target);
  const missed = proven.filter(({ fate }) => fate.is === 'missed').length;
  const id = `fates-${target.type}-${target.id}`;
  return (
    <li className="fate-of">
      <div className="fate-line">
        <button
          type="button"
          className="fold"
          aria-expanded={isOpen}
          aria-controls={id}
          aria-label={`${isOpen ? 'Put away' : 'Open'} what came of breaking ${name}`}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? '▾' : '▸'}
        </button>
        <Go href={`/sets/${set.key}/${target.type}s/${target.id}`} className="word-button">
          {name}
        </Go>
        <span className="fate-strip">
          {proven.map((one) => (
            <FateMark key={one.id} is={one.fate.is} title={`${one.words}: ${fates[one.fate.is]}`} />
          ))}
        </span>
        <span className={missed ? 'text-brick' : 'text-faint'}>
          {missed ? `${missed} of ${proven.length} noticed by none` : `none of ${proven.length} is missed`}
        </span>
      </div>
      <ul id={id} hidden={!isOpen}>
        {isOpen &&
          order.flatMap((is) =>
            proven
              .filter(({ fate }) => fate.is === is)
              .map((one) => <Way key={one.id} one={one} taken={taken} onTake={onTake} />),
          )}
      </ul>
    </li>
  );
}

/** One way to break it, and what is known of it; a trial that was found can be taken. */
function Way({
  one: { words, fate },
  taken,
  onTake,
}: {
  readonly one: Proven;
  readonly taken: ReadonlySet<string>;
  readonly onTake: (trials: readonly Trial[]) => void;
}) {
  const isTaken = fate.is === 'missed' && taken.has(fate.trial.tape);
  return (
    <li className="way">
      <FateMark is={fate.is} />
      <div>
        <p className="first-letter:uppercase">{words}</p>
        <p className="caption">
          {fate.is === 'caught' && `Noticed by ${fate.by}.`}
          {fate.is === 'same' && 'Provably nothing: what it compiles to is the same.'}
          {fate.is === 'unknown' && `No difference was found in ${fate.tries.toLocaleString('en-GB')} tapes.`}
          {fate.is === 'missed' &&
            !fate.isNew &&
            `${fate.trial.name ?? fate.trial.id} would notice it as well.`}
          {isTaken && fate.is === 'missed' && fate.isNew && 'Taken.'}
        </p>
        {fate.is === 'missed' && fate.isNew && !isTaken && (
          <>
            <pre className="value">{fate.trial.tape.trim()}</pre>
            <button type="button" className="word-button" onClick={() => onTake([fate.trial])}>
              Take this trial
            </button>
          </>
        )}
      </div>
    </li>
  );
}

'use client';

import type { SetDocument } from '@arbeit/engine/document';
import type { Compared } from '@arbeit/engine/proof';
import { useEffect, useRef, useState } from 'react';
import { listSets } from '../../model/other-sets.ts';
import type { Revision } from '../../store/revisions.ts';
import type { ListedSet } from '../../store/sets.ts';
import * as texts from '../../words/revisions/compared.ts';
import { AllFound } from '../set/found.tsx';
import type { useComparing } from '../set/use-comparing.ts';
import { bothReady, documentOf, type Side } from './sides.ts';

/** The label of a revision in a list. */
export const titleOf = ({ revision, name }: Revision): string =>
  name === null ? texts.revision(revision) : `${name} (${revision})`;

/** Two sets, revisions or fields to choose, and how their behaviour differs. */
export function ComparedSides({
  setKey,
  document,
  revisions,
  sides: [before, after],
  comparing,
  onSides,
}: {
  readonly setKey: string;
  readonly document: SetDocument;
  readonly revisions: readonly Revision[];
  readonly sides: readonly [Side, Side];
  readonly comparing: ReturnType<typeof useComparing>;
  readonly onSides: (sides: readonly [Side, Side]) => void;
}) {
  const { is, compared, problem, begin, stop } = comparing;
  const others = useOtherSets(setKey);
  const fieldsOf = useFieldsOf(setKey, document, [before.of, after.of]);
  const count = (one: Compared['is']): number => compared.filter((item) => item.is === one).length;
  const apart = compared.length - count('same') - count('alike');
  const said = {
    'not yet': texts.notComparedYet,
    'under way': texts.comparedWithCompared(compared.length),
    stopped: texts.stoppedAfter(compared.length),
    done: apart === 0 ? texts.noDifferencesInBehaviour : texts.ofDiffer(apart, compared.length),
    failed: problem,
  }[is];
  const compare = (): void =>
    begin(async () => {
      const both = [
        await documentOf(before.of, setKey, document),
        await documentOf(after.of, setKey, document),
      ] as const;
      return bothReady(both, [before, after]);
    });
  // It runs automatically for every choice, unless both sides are the same.
  const latest = useRef(compare);
  latest.current = compare;
  const isSame = before.of === after.of && before.field === after.field;
  const chosen = `${before.of} ${before.field} ${after.of} ${after.field}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs for each choice, not for each render
  useEffect(() => {
    if (!isSame) latest.current();
  }, [chosen]);
  const choice = (label: string, side: Side, onChange: (side: Side) => void) => (
    <SideChoice
      label={label}
      side={side}
      fields={fieldsOf(side.of)}
      revisions={revisions}
      others={others}
      onChange={onChange}
    />
  );
  return (
    <section aria-label={texts.compared}>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">{texts.compareBehaviour}</h2>
        <span role="status" className={is === 'failed' ? 'text-brick' : 'text-faint'}>
          {said}
        </span>
        <div className="ml-auto">
          {is === 'under way' ? (
            <button type="button" className="word-button" onClick={stop}>
              {texts.stop}
            </button>
          ) : (
            <button type="button" className="word-button" onClick={compare}>
              {is === 'not yet' ? texts.compare : texts.runAgain}
            </button>
          )}
        </div>
      </div>
      <div className="sides">
        {choice(texts.before, before, (side) => onSides([side, after]))}
        {choice(texts.after, after, (side) => onSides([before, side]))}
      </div>
      {is === 'not yet' && <p className="text-faint">{texts.runsTheSameKeystrokesThrough}</p>}
      <AllFound compared={compared} before={texts.beforeWord} after={texts.afterWord} />
      {count('same') > 0 && (
        <p className="py-2 text-faint">
          {texts.unchanged(
            count('same'),
            compared.flatMap((one) => (one.is === 'same' ? [one.name] : [])).join(', '),
          )}
        </p>
      )}
    </section>
  );
}

/** The fields of the chosen sides; empty for a side that is loading or cannot be loaded. */
function useFieldsOf(
  setKey: string,
  document: SetDocument,
  [before, after]: readonly [string, string],
): (of: string) => SetDocument['fields'] {
  const [known, setKnown] = useState<ReadonlyMap<string, SetDocument['fields']>>(new Map());
  useEffect(() => {
    let isGone = false;
    for (const side of [before, after].filter((one) => one !== 'now'))
      documentOf(side, setKey, document).then(
        ({ fields }) => !isGone && setKnown((now) => new Map(now).set(side, fields)),
        // The error is shown when it is compared.
        () => {},
      );
    return () => {
      isGone = true;
    };
  }, [setKey, document, before, after]);
  return (of) => (of === 'now' ? document.fields : (known.get(of) ?? []));
}

/** The other sets; empty while Arbeit does not answer. */
function useOtherSets(setKey: string): readonly ListedSet[] {
  const [sets, setSets] = useState<readonly ListedSet[]>([]);
  useEffect(() => {
    listSets().then(
      (all) => setSets(all.filter(({ key }) => key !== setKey)),
      () => {},
    );
  }, [setKey]);
  return sets;
}

function SideChoice({
  label,
  side,
  fields,
  revisions,
  others,
  onChange,
}: {
  readonly label: string;
  readonly side: Side;
  readonly fields: SetDocument['fields'];
  readonly revisions: readonly Revision[];
  readonly others: readonly ListedSet[];
  readonly onChange: (side: Side) => void;
}) {
  return (
    <fieldset className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <legend className="caption">{label}</legend>
      <select
        aria-label={texts.whichSet(label)}
        className="entry max-w-full"
        value={side.of}
        onChange={({ target }) => onChange({ of: target.value, field: '' })}
      >
        <option value="now">{texts.currentVersion}</option>
        <optgroup label={texts.revisions}>
          {revisions.map((one) => (
            <option key={one.revision} value={`revision ${one.revision}`}>
              {titleOf(one)}
            </option>
          ))}
        </optgroup>
        {others.length > 0 && (
          <optgroup label={texts.otherSets}>
            {others.map(({ key, title }) => (
              <option key={key} value={`set ${key}`}>
                {title}
              </option>
            ))}
          </optgroup>
        )}
      </select>
      <select
        aria-label={texts.whichField(label)}
        className="entry max-w-full"
        value={side.field}
        onChange={({ target }) => onChange({ ...side, field: target.value })}
      >
        <option value="">{texts.allFields}</option>
        {fields.map(({ id, label: name }) => (
          <option key={id} value={id}>
            {name || id}
          </option>
        ))}
      </select>
    </fieldset>
  );
}

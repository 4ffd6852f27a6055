'use client';

import { localToday } from '@arbeit/dom';
import type { SetDocument } from '@arbeit/engine/document';
import { AlertDialog } from 'radix-ui';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import { bothTexts } from '../../model/both-texts.ts';
import { partName } from '../../model/changed-words.ts';
import { todayIn } from '../../model/clock.ts';
import { mergeSets, problemWithMerge, type SetConflict } from '../../model/conflicts.ts';
import { differences } from '../../model/differences.ts';
import { addSet } from '../../model/other-sets.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { download } from '../../ui/download.ts';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as words from '../../words/set/choice-dialog.ts';
import { AllFound } from './found.tsx';
import { useComparing } from './use-comparing.ts';

const none: ReadonlySet<number> = new Set();

/**
 * Asks after a refused save which version to continue with, member by member where both versions changed the
 * same, and shows how the two differ: in words, in texts, and in behaviour. Everything else is merged.
 * Nothing is lost, whatever is chosen.
 */
export function ChoiceDialog({
  set,
  base,
  theirs,
  revision,
  isKept,
  isRestored,
  onCopied,
}: {
  readonly set: EditedSet;
  /** What both versions began with; `undefined` if it is not known. */
  readonly base: SetDocument | undefined;
  /** The stored version. */
  readonly theirs: SetDocument;
  readonly revision: number;
  /** Whether the server keeps the refused version. */
  readonly isKept: boolean;
  readonly isRestored: boolean;
  /** Called with the set that has been made of the own version. */
  readonly onCopied: (copy: { readonly key: string; readonly title: string }) => void;
}) {
  const mine = set.document;
  const { conflicts, merged } = useMemo(() => mergeSets(base, mine, theirs), [base, mine, theirs]);
  const all = useMemo(() => new Set(conflicts.keys()), [conflicts]);
  const both = useMemo(() => [merged(none), merged(all)] as const, [merged, all]);
  const [chosen, setChosen] = useState(none);
  const [problem, setProblem] = useState('');
  const [isBusy, setBusy] = useState(false);
  const use = (own: ReadonlySet<number>) => {
    const document = merged(own);
    const wrong = own.size > 0 && own.size < conflicts.length ? problemWithMerge(document) : '';
    setProblem(wrong);
    if (!wrong) set.resolve(document);
  };
  const keepBoth = async () => {
    setBusy(true);
    const title = words.myVersionOf(mine.title);
    const added = await addSet({ ...mine, title });
    setBusy(false);
    setProblem(added.problem);
    if (!('key' in added)) return;
    onCopied({ key: added.key, title });
    use(none);
  };
  const isWhole = conflicts[0]?.name === null;
  const isOne = conflicts.length === 1;
  const choose = (at: number, isMine: boolean) =>
    setChosen((had) => new Set([...all].filter((i) => (i === at ? isMine : had.has(i)))));
  return (
    <AlertDialog.Root open>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-paper/70" />
        <AlertDialog.Content className="fixed inset-x-4 top-12 z-40 mx-auto flex max-h-[calc(100dvh-6rem)] max-w-3xl flex-col border-2 border-ink bg-paper p-6">
          <AlertDialog.Title className="text-lg">
            {isRestored ? words.theStoreWasRestored : words.someoneElseHasChanged}
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            {words.whichVersionDoYouWant({
              title: theirs.title,
              revision,
              isRestored,
              isKept,
              conflicts: isWhole ? 0 : conflicts.length,
            })}
          </AlertDialog.Description>
          <Scrolled
            label={words.howTheyDiffer}
            className="mt-3 min-h-0 overflow-y-auto border-y py-2 text-sm"
          >
            <h3 className="caption">{words.howTheyDiffer}</h3>
            {isWhole ? (
              <WholeVersions theirs={theirs} mine={mine} />
            ) : (
              <Members conflicts={conflicts} chosen={chosen} onChoose={isOne ? undefined : choose} />
            )}
            <Behaviour both={both} today={todayIn(set.id) ?? localToday()} />
          </Scrolled>
          <p role="status" className="text-brick">
            {problem}
          </p>
          <div className="mt-3 flex flex-wrap items-baseline gap-x-5 gap-y-3">
            <AlertDialog.Cancel className="solid-button" onClick={() => use(isOne ? none : chosen)}>
              {isOne
                ? isRestored
                  ? words.useTheVersion
                  : words.useTheirVersion
                : words.useTheChosenVersions}
            </AlertDialog.Cancel>
            <AlertDialog.Action className="word-button" onClick={() => use(all)}>
              {isOne ? words.keepMyVersion : words.keepMineEverywhere}
            </AlertDialog.Action>
            <button type="button" className="word-button" disabled={isBusy} onClick={() => void keepBoth()}>
              {words.keepBoth}
            </button>
            <button
              type="button"
              className="word-button"
              onClick={() =>
                download(`${set.id}.arbeit.json`, `${JSON.stringify(mine, null, 2)}\n`, 'application/json')
              }
            >
              {words.downloadMyVersion}
            </button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

/** What differs, and the two versions of it. */
const columnNames = (
  <thead>
    <tr>
      <th scope="col">{words.what}</th>
      <th scope="col">{words.theirs}</th>
      <th scope="col">{words.mine}</th>
    </tr>
  </thead>
);

/** The members that differ, each in both versions; with `onChoose`, one of the two is chosen. */
function Members({
  conflicts,
  chosen,
  onChoose,
}: {
  readonly conflicts: readonly SetConflict[];
  /** Indices of those of which the own version is chosen. */
  readonly chosen: ReadonlySet<number>;
  readonly onChoose: ((at: number, isMine: boolean) => void) | undefined;
}) {
  const group = useId();
  return (
    <table className="both-texts">
      {columnNames}
      <tbody>
        {conflicts.map((one, at) => (
          <tr key={one.id}>
            <th scope="row" id={`${group}-${at}`}>
              {one.name}
            </th>
            {([words.theirs, words.mine] as const).map((whose) => {
              const isMine = whose === words.mine;
              const value = isMine ? one.mine : one.theirs;
              return (
                <td key={whose}>
                  {onChoose ? (
                    <label className="flex min-h-[24px] items-baseline gap-2">
                      <input
                        type="radio"
                        name={`${group}-${at}`}
                        aria-describedby={`${group}-${at}`}
                        checked={chosen.has(at) === isMine}
                        onChange={() => onChoose(at, isMine)}
                      />
                      <span className="sr-only">{words.versionWithColon(whose)}</span>
                      <span className="min-w-0 whitespace-pre-wrap">{value}</span>
                    </label>
                  ) : (
                    <span className="whitespace-pre-wrap">{value}</span>
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The differences of two whole versions of a set: members in words, texts side by side. */
function WholeVersions({ theirs, mine }: { readonly theirs: SetDocument; readonly mine: SetDocument }) {
  const texts = useMemo(() => bothTexts(theirs, mine), [theirs, mine]);
  const said = useMemo(() => differences(theirs, mine), [theirs, mine]);
  return (
    <>
      <ul>
        {said.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      {texts.length > 0 && (
        <table className="both-texts">
          {columnNames}
          <tbody>
            {texts.map((one) => (
              <tr key={`${one.of} ${one.member}`}>
                <th scope="row">{words.memberOf(one.of, partName(one.member))}</th>
                <td>{one.theirs ?? words.none}</td>
                <td>{one.mine ?? words.none}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

/** The differences in behaviour of what either choice leads to (theirs, mine), by tapes. */
function Behaviour({
  both,
  today,
}: {
  readonly both: readonly [theirs: SetDocument, mine: SetDocument];
  readonly today: string;
}) {
  const comparing = useComparing(today);
  const latest = useRef(comparing);
  latest.current = comparing;
  useEffect(() => latest.current.begin(async () => both), [both]);
  const { is, compared, problem } = comparing;
  const apart = compared.filter((one) => one.is !== 'same' && one.is !== 'alike');
  return (
    <>
      <h3 className="caption pt-2">{words.behaviour}</h3>
      <p role="status" className={is === 'failed' ? 'text-brick' : 'text-faint'}>
        {is === 'failed' && problem}
        {is === 'under way' && words.comparing}
        {is === 'done' && apart.length === 0 && words.theFieldsBehaveAlike}
      </p>
      <AllFound compared={compared} before={words.theirs} after={words.mine} />
    </>
  );
}

'use client';

import { localToday } from '@arbeit/dom';
import type { SetDocument } from '@arbeit/engine/document';
import { AlertDialog } from 'radix-ui';
import { useEffect, useMemo, useRef, useState } from 'react';
import { bothTexts } from '../../model/both-texts.ts';
import { partName } from '../../model/changed-words.ts';
import { todayIn } from '../../model/clock.ts';
import { differences } from '../../model/differences.ts';
import { addSet } from '../../model/other-sets.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { download } from '../../ui/download.ts';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as words from '../../words/set/choice-dialog.ts';
import { AllFound } from './found.tsx';
import { useComparing } from './use-comparing.ts';

/**
 * Asks after a refused save which version to continue with, and shows how the two differ: in words, in texts,
 * and in behaviour. Nothing is lost, whatever is chosen.
 */
export function ChoiceDialog({
  set,
  theirs,
  revision,
  isKept,
  isRestored,
  onCopied,
}: {
  readonly set: EditedSet;
  /** The stored version. */
  readonly theirs: SetDocument;
  readonly revision: number;
  /** Whether the server keeps the refused version. */
  readonly isKept: boolean;
  readonly isRestored: boolean;
  /** Called with the set that has been made of the own version. */
  readonly onCopied: (copy: { readonly key: string; readonly title: string }) => void;
}) {
  const [problem, setProblem] = useState('');
  const [isBusy, setBusy] = useState(false);
  const keepBoth = async () => {
    setBusy(true);
    const title = words.myVersionOf(set.document.title);
    const added = await addSet({ ...set.document, title });
    setBusy(false);
    setProblem(added.problem);
    if (!('key' in added)) return;
    onCopied({ key: added.key, title });
    set.takeTheirs();
  };
  return (
    <AlertDialog.Root open>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-paper/70" />
        <AlertDialog.Content className="fixed inset-x-4 top-12 z-40 mx-auto flex max-h-[calc(100dvh-6rem)] max-w-3xl flex-col border-2 border-ink bg-paper p-6">
          <AlertDialog.Title className="text-lg">
            {isRestored ? words.theStoreWasRestored : words.someoneElseHasChanged}
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            {words.whichVersionDoYouWant(isRestored, theirs.title, revision, isKept)}
          </AlertDialog.Description>
          <HowTheyDiffer theirs={theirs} mine={set.document} today={todayIn(set.id) ?? localToday()} />
          <p role="status" className="text-brick">
            {problem}
          </p>
          <div className="mt-3 flex flex-wrap items-baseline gap-x-5 gap-y-3">
            <AlertDialog.Cancel className="solid-button" onClick={set.takeTheirs}>
              {isRestored ? words.useTheVersion : words.useTheirVersion}
            </AlertDialog.Cancel>
            <AlertDialog.Action className="word-button" onClick={set.keepMine}>
              {words.keepMyVersion}
            </AlertDialog.Action>
            <button type="button" className="word-button" disabled={isBusy} onClick={() => void keepBoth()}>
              {words.keepBoth}
            </button>
            <button
              type="button"
              className="word-button"
              onClick={() =>
                download(
                  `${set.id}.arbeit.json`,
                  `${JSON.stringify(set.document, null, 2)}\n`,
                  'application/json',
                )
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

/** The differences of two versions of a set: texts side by side, members in words, behaviour by tapes. */
function HowTheyDiffer({
  theirs,
  mine,
  today,
}: {
  readonly theirs: SetDocument;
  readonly mine: SetDocument;
  readonly today: string;
}) {
  const texts = useMemo(() => bothTexts(theirs, mine), [theirs, mine]);
  const said = useMemo(() => differences(theirs, mine), [theirs, mine]);
  const comparing = useComparing(today);
  const latest = useRef(comparing);
  latest.current = comparing;
  useEffect(() => latest.current.begin(async () => [theirs, mine]), [theirs, mine]);
  const { is, compared, problem } = comparing;
  const apart = compared.filter((one) => one.is !== 'same' && one.is !== 'alike');
  return (
    <Scrolled label={words.howTheyDiffer} className="mt-3 min-h-0 overflow-y-auto border-y py-2 text-sm">
      <h3 className="caption">{words.howTheyDiffer}</h3>
      <ul>
        {said.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      {texts.length > 0 && (
        <table className="both-texts">
          <thead>
            <tr>
              <td />
              <th scope="col">{words.theirs}</th>
              <th scope="col">{words.mine}</th>
            </tr>
          </thead>
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
      <h3 className="caption pt-2">{words.behaviour}</h3>
      <p role="status" className={is === 'failed' ? 'text-brick' : 'text-faint'}>
        {is === 'failed' && problem}
        {is === 'under way' && words.comparing}
        {is === 'done' && apart.length === 0 && words.theFieldsBehaveAlike}
      </p>
      <AllFound compared={compared} before={words.theirs} after={words.mine} />
    </Scrolled>
  );
}

'use client';

import { AlertDialog } from 'radix-ui';
import type { EditedSet } from '../definition/use-set.ts';

/** The choice after a refused save: mine over theirs, or theirs. */
export function ChoiceDialog({
  set,
  theirs,
  revision,
  kept,
}: {
  readonly set: EditedSet;
  readonly theirs: string;
  readonly revision: number;
  readonly kept: number | null;
}) {
  return (
    <AlertDialog.Root open>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-paper/70" />
        <AlertDialog.Content className="fixed inset-x-4 top-24 z-40 mx-auto max-w-lg border-2 border-ink bg-paper p-6">
          <AlertDialog.Title className="text-lg">
            This set was saved somewhere else meanwhile.
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            “{theirs}” is at revision {revision} now, saved from another window or by somebody else. Your
            version is kept as well: nothing is lost, whichever you go on with.
          </AlertDialog.Description>
          <div className="mt-5 flex flex-wrap items-baseline gap-x-5 gap-y-3">
            <AlertDialog.Cancel className="solid-button" onClick={set.takeTheirs}>
              Go on with theirs
            </AlertDialog.Cancel>
            <AlertDialog.Action className="word-button" onClick={set.keepMine}>
              Go on with mine
            </AlertDialog.Action>
            {kept !== null && (
              <a className="word-button" href={`/api/sets/${set.key}/refused/${kept}`} download>
                Mine as a file
              </a>
            )}
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

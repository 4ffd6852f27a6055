'use client';

import { AlertDialog } from 'radix-ui';
import type { EditedSet } from '../../model/use-set.ts';
import { download } from '../../ui/download.ts';
import * as words from '../../words/set/choice-dialog.ts';

/** Asks after a refused save which version to continue with. */
export function ChoiceDialog({
  set,
  title,
  revision,
  isKept,
  isRestored,
}: {
  readonly set: EditedSet;
  /** Title of the stored version. */
  readonly title: string;
  readonly revision: number;
  /** Whether the server keeps the refused version. */
  readonly isKept: boolean;
  readonly isRestored: boolean;
}) {
  return (
    <AlertDialog.Root open>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-paper/70" />
        <AlertDialog.Content className="fixed inset-x-4 top-24 z-40 mx-auto max-w-lg border-2 border-ink bg-paper p-6">
          <AlertDialog.Title className="text-lg">
            {isRestored ? words.theStoreWasRestored : words.someoneElseHasChanged}
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            {words.whichVersionDoYouWant(isRestored, title, revision, isKept)}
          </AlertDialog.Description>
          <div className="mt-5 flex flex-wrap items-baseline gap-x-5 gap-y-3">
            <AlertDialog.Cancel className="solid-button" onClick={set.takeTheirs}>
              {isRestored ? words.useTheVersion : words.useTheirVersion}
            </AlertDialog.Cancel>
            <AlertDialog.Action className="word-button" onClick={set.keepMine}>
              {words.keepMyVersion}
            </AlertDialog.Action>
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

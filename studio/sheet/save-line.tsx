'use client';

import Link from 'next/link';
import { AlertDialog } from 'radix-ui';
import type { EditedSet } from '../definition/use-set.ts';

/** How saving stands, in one or two words, and the choice when somebody else saved in between. */
export function SaveLine({ set }: { readonly set: EditedSet }) {
  const { save } = set;
  return (
    <>
      {set.putBack !== null && (
        <span className="caption">
          Unsaved changes of{' '}
          {new Date(set.putBack).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })} were
          put back
        </span>
      )}
      <Link className="word-button text-sm" href={`/sets/${set.id}/refused`} prefetch={false}>
        Refused versions
      </Link>
      <span role="status" className="caption min-w-16 text-right">
        {save.is === 'saved' && 'Saved'}
        {(save.is === 'waiting' || save.is === 'saving') && 'Saving…'}
        {save.is === 'refused' && 'Not saved'}
        {save.is === 'failed' && (
          <span className="text-brick">
            Not saved: {save.faults[0] ? `${save.faults[0].path}: ${save.faults[0].message}` : save.why}{' '}
            <button type="button" className="word-button" onClick={set.retry}>
              Try again
            </button>
          </span>
        )}
      </span>
      <button type="button" className="word-button" disabled={!set.canUndo} onClick={set.undo}>
        Undo
      </button>
      <button type="button" className="word-button" disabled={!set.canRedo} onClick={set.redo}>
        Redo
      </button>
      {save.is === 'refused' && (
        <Choice
          set={set}
          theirs={save.theirs.document.title}
          revision={save.theirs.revision}
          kept={save.kept}
        />
      )}
    </>
  );
}

function Choice({
  set,
  theirs,
  revision,
  kept,
}: {
  readonly set: EditedSet;
  readonly theirs: string;
  readonly revision: number;
  readonly kept: number;
}) {
  return (
    <AlertDialog.Root open>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 bg-paper/70" />
        <AlertDialog.Content className="fixed inset-x-4 top-24 mx-auto max-w-lg border-2 border-ink bg-paper p-6">
          <AlertDialog.Title className="text-lg">
            This set was saved somewhere else meanwhile.
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            “{theirs}” is at revision {revision} now, saved from another window or by somebody else. Your
            version is kept as well: nothing is lost, whichever you go on with.
          </AlertDialog.Description>
          <div className="mt-5 flex flex-wrap items-baseline gap-x-5 gap-y-3">
            <AlertDialog.Action className="solid-button" onClick={set.keepMine}>
              Go on with mine
            </AlertDialog.Action>
            <AlertDialog.Cancel className="word-button" onClick={set.takeTheirs}>
              Go on with theirs
            </AlertDialog.Cancel>
            <a className="word-button" href={`/api/sets/${set.id}/refused/${kept}`} download>
              Mine as a file
            </a>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

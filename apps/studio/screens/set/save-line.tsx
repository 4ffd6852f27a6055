'use client';

import { useEffect, useState } from 'react';
import type { EditedSet } from '../../model/use-set.ts';
import { useCommands } from '../../ui/commands.tsx';
import { later, useLater } from '../../ui/later.tsx';
import { Link } from '../../ui/link.tsx';
import { useHasUnsavedLine } from '../../ui/unsaved.ts';
import * as words from '../../words/set/save-line.ts';

const choiceDialog = later(() => import('./choice-dialog.tsx'));

/**
 * What happens to unsaved changes: stored in the browser they outlive the page; otherwise they are only on
 * the page.
 */
const keptHere = words.yourChangesAreKept;
const keptNowhere = words.thisBrowserCannotKeep;

/** The state of saving in one or two words, and the choice after a conflict. */
export function SaveLine({ set }: { readonly set: EditedSet }) {
  const { save } = set;
  const hasFaulty = useHasUnsavedLine();
  const [copy, setCopy] = useState<{ readonly key: string; readonly title: string } | null>(null);
  const { it: choice, want } = useLater(choiceDialog);
  useCommands(set.document.title, [
    { id: 'undo', label: words.undoLastChange, run: set.undo },
    { id: 'redo', label: words.redo, run: set.redo },
  ]);
  useEffect(() => {
    if (save.is === 'refused') want();
  }, [save.is, want]);
  return (
    <>
      {set.putBack !== null && (
        <span className="caption">
          {words.unsavedChangesFromWereRestored(
            new Date(set.putBack).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }),
          )}
        </span>
      )}
      {copy && (
        <span role="status" className="caption">
          {words.yourVersionIs}{' '}
          <Link href={`/?set=${copy.key}`} className="word-button">
            {copy.title}
          </Link>
        </span>
      )}
      <span role="status" data-saving className="caption min-w-16 text-right">
        {save.is === 'saved' && (hasFaulty ? words.savedExceptTheMarkedErrors : words.saved)}
        {(save.is === 'waiting' || save.is === 'saving') && words.saving}
        {save.is === 'refused' && words.notSaved}
        {save.is === 'failed' && (
          <span className="text-brick">
            {words.notSavedWithValue(save.fault || `${save.why} ${set.isKept ? keptHere : keptNowhere}`)}{' '}
            <button type="button" className="word-button" onClick={set.retry}>
              {words.tryAgain}
            </button>
          </span>
        )}
      </span>
      <button type="button" className="word-button" disabled={!set.canUndo} onClick={set.undo}>
        {words.undo}
      </button>
      <button type="button" className="word-button" disabled={!set.canRedo} onClick={set.redo}>
        {words.redo}
      </button>
      {save.is === 'refused' && choice && (
        <choice.ChoiceDialog
          set={set}
          base={save.base}
          theirs={save.theirs.document}
          revision={save.theirs.revision}
          isKept={save.kept !== null}
          isRestored={save.isRestored}
          onCopied={setCopy}
        />
      )}
    </>
  );
}

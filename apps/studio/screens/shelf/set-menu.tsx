'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { leaveMade } from '../../model/just-made.ts';
import { addNewId } from '../../model/new-ids.ts';
import { addSet, problemIn } from '../../model/other-sets.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { copyText } from '../../ui/copy-text.ts';
import { download } from '../../ui/download.ts';
import { later, useLater } from '../../ui/later.tsx';
import { Menu } from '../../ui/pop-out.tsx';
import * as words from '../../words/shelf/set-menu.ts';

const dialogs = later(() => import('./set-dialogs.tsx'));
const several = later(() => import('./several-dialog.tsx'));

/** Everything that can be done with a whole set, in one menu. */
export function SetMenu({ set, onGone }: { readonly set: EditedSet; readonly onGone: () => void }) {
  const router = useRouter();
  const [asked, setAsked] = useState<'locale' | 'classes' | 'rename' | 'several' | null>(null);
  const [said, setSaid] = useState('');
  const { it: loaded, open } = useLater(dialogs);
  const { it: some, open: openSeveral } = useLater(several);
  const { document } = set;
  const ask = (what: NonNullable<typeof asked>) => {
    open();
    setAsked(what);
  };
  const close = () => setAsked(null);
  const text = () => `${JSON.stringify(document, null, 2)}\n`;
  const duplicate = async () => {
    const { problem } = await addSet({ ...document, title: words.copyWithTitle(document.title) });
    setSaid(problem);
    if (!problem) router.refresh();
  };
  const remove = async () => {
    const response = await fetch(`/api/sets/${set.key}`, { method: 'DELETE' }).catch(() => undefined);
    const wrong = await problemIn(response);
    setSaid(wrong);
    if (!wrong) onGone();
  };
  const newForm = async () => {
    const { addForm } = await import('../../model/form-edits.ts');
    const { set: next, id } = addForm(document);
    addNewId(set.key, `forms/${id}`);
    await set.editAndSave(() => next);
    leaveMade(set.key, `forms/${id}`);
    router.push(`/sets/${set.key}/forms/${id}`);
  };
  const copy = async () => setSaid(await copyText(text()));
  return (
    <>
      <span role="status" className="caption">
        {said}
      </span>
      <Menu
        trigger="⋯"
        button={{ className: 'row-menu', 'aria-label': words.actionsForWithTitle(document.title) }}
        align="end"
        className="min-w-64"
        items={() => [
          { id: 'locale', label: words.locale, note: document.locale, onSelect: () => ask('locale') },
          { id: 'classes', label: words.characterClasses, note: Object.keys(document.classes ?? {}).join(', ') || words.noneYet, onSelect: () => ask('classes') },
          { id: 'texts', label: words.translations, onSelect: () => router.push(`/sets/${set.key}/texts`) },
          { id: 'hand-off', label: words.handOff, onSelect: () => router.push(`/sets/${set.key}/hand-off`) },
          { id: 'form', label: words.newForm, isApart: true, onSelect: () => void newForm() },
          { id: 'several', label: words.severalFields, onSelect: () => { openSeveral(); setAsked('several'); } },
          { id: 'file', label: words.downloadDocumentArbeitJson, isApart: true, onSelect: () => download(`${set.id}.arbeit.json`, text(), 'application/json') },
          { id: 'sheet', label: words.proofSheet, onSelect: () => window.open(`/sets/${set.key}/proof-sheet`, '_blank', 'noopener') },
          { id: 'copy', label: words.copyDocumentAsJson, onSelect: () => void copy() },
          { id: 'revisions', label: words.revisions, onSelect: () => router.push(`/sets/${set.key}/revisions`) },
          { id: 'refused', label: words.conflictingSaves, onSelect: () => router.push(`/sets/${set.key}/refused`) },
          { id: 'duplicate', label: words.duplicateSet, isApart: true, onSelect: () => void duplicate() },
          { id: 'rename', label: words.changeId, note: set.id, onSelect: () => ask('rename') },
          { id: 'delete', label: words.deleteSet, isApart: true, onSelect: () => void remove() },
        ]} // biome-ignore format: one entry a line
      />
      {loaded && asked === 'locale' && <loaded.SetLocaleDialog set={set} onClose={close} />}
      {loaded && asked === 'classes' && <loaded.ClassesDialog set={set} onClose={close} />}
      {some && asked === 'several' && (
        <some.SeveralDialog
          set={set}
          onClose={close}
          onDone={(message) => {
            close();
            setSaid(message);
          }}
        />
      )}
      {loaded && asked === 'rename' && (
        <loaded.RenameSetDialog
          set={set}
          onClose={close}
          onDone={() => {
            close();
            router.refresh();
          }}
        />
      )}
    </>
  );
}

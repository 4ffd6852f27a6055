'use client';

import { type ReactNode, useState } from 'react';
import type { EditedSet } from '../../model/use-set.ts';
import { useCommands } from '../../ui/commands.tsx';
import { later, useLater } from '../../ui/later.tsx';
import * as words from '../../words/set/new-field-command.ts';

const newField = later(() => import('./new-field-dialog.tsx'));

/** The command "New field" on a page of a set, as a menu item too, and its dialog. */
export function useNewField(set: EditedSet): { readonly dialog: ReactNode; open(): void } {
  const { it: loaded, open: load } = useLater(newField);
  const [isOpen, setOpen] = useState(false);
  const open = () => {
    load();
    setOpen(true);
  };
  useCommands(words.thisSet, [{ id: 'new-field', label: words.newFieldInThisSet, key: 'n', run: open }]);
  return {
    dialog: loaded && isOpen ? <loaded.NewFieldDialog set={set} onClose={() => setOpen(false)} /> : null,
    open,
  };
}

/** The command "New field" on a page of a set. */
export const NewFieldCommand = ({ set }: { readonly set: EditedSet }) => useNewField(set).dialog;

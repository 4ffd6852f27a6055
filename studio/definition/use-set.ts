'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { SetDocument } from '../../engine/compile/document.ts';
import type { StoredSet } from '../store/sets.ts';
import { begin, type History, record, redo, undo } from './history.ts';
import { createSaver, type Saver, type SaveState, sendTo } from './saver.ts';

/** A set being edited: its document, undo and redo, and how its saving stands. */
export interface EditedSet {
  readonly id: string;
  readonly document: SetDocument;
  readonly save: SaveState;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** Changes the document; changes about the same thing in a row are one step of undo. */
  edit(change: (document: SetDocument) => SetDocument, about?: string): void;
  /** Changes the document and resolves when it was saved, or was not; `save` says which. */
  editAndSave(change: (document: SetDocument) => SetDocument): Promise<void>;
  undo(): void;
  redo(): void;
  /** After a refused save: put mine over theirs, or take theirs. Both can be undone. */
  keepMine(): void;
  takeTheirs(): void;
  retry(): void;
}

export function useSet(stored: StoredSet): EditedSet {
  const [history, setHistory] = useState<History<SetDocument>>(() => begin(stored.document));
  const [save, setSave] = useState<SaveState>({ is: 'saved' });
  const saver = useRef<Saver | null>(null);
  saver.current ??= createSaver(stored.revision, sendTo(stored.id), setSave);
  const saved = useRef(stored.document);

  const { present } = history;
  useEffect(() => {
    if (present === saved.current) return;
    saved.current = present;
    saver.current!.want(present);
  }, [present]);

  useEffect(() => {
    const leave = () => void saver.current!.flush(true);
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, []);

  const edit = useCallback<EditedSet['edit']>((change, about) => {
    setHistory((h) => record(h, change(h.present), about ?? null));
  }, []);
  const editAndSave = (change: (document: SetDocument) => SetDocument): Promise<void> => {
    const next = change(present);
    setHistory((h) => record(h, next, null));
    saved.current = next;
    saver.current!.want(next);
    return saver.current!.flush();
  };
  const undoEdit = useCallback(() => setHistory(undo), []);
  const redoEdit = useCallback(() => setHistory(redo), []);

  const refusal = save.is === 'refused' ? save : undefined;
  const keepMine = () => {
    if (!refusal) return;
    saver.current!.goOnFrom(refusal.theirs.revision);
    saver.current!.want(present);
    void saver.current!.flush();
  };
  const takeTheirs = () => {
    if (!refusal) return;
    saver.current!.goOnFrom(refusal.theirs.revision);
    saved.current = refusal.theirs.document;
    setHistory((h) => record(h, refusal.theirs.document, null));
  };

  return {
    id: stored.id,
    document: present,
    save,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    edit,
    editAndSave,
    undo: undoEdit,
    redo: redoEdit,
    keepMine,
    takeTheirs,
    retry: () => saver.current!.retry(),
  };
}

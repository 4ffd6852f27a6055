'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { StoredSet } from '../store/sets.ts';
import { type Draft, dropDraft, holdPage, keepDraft, leftDrafts, markPage, newPage } from './draft.ts';
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
  /** When unsaved work of an earlier visit was put back: then, ISO 8601. */
  readonly putBack: string | null;
}

export function useSet(stored: StoredSet): EditedSet {
  const [history, setHistory] = useState<History<SetDocument>>(() => begin(stored.document));
  const [save, setSave] = useState<SaveState>({ is: 'saved' });
  const [putBack, setPutBack] = useState<string | null>(null);
  const page = useRef('');
  page.current ||= newPage();
  const settle = ({ revision, document }: { revision: number; document: SetDocument }) => {
    const draft = { setId: stored.id, from: page.current, base: revision, savedAs: revision, document };
    void keepDraft({ ...draft, at: new Date().toISOString() });
  };
  const saver = useRef<Saver | null>(null);
  saver.current ??= createSaver(
    stored.revision,
    sendTo(stored.id, () => page.current),
    (state) => {
      setSave(state);
      if (state.is === 'saved' && state.as) settle(state.as);
    },
  );
  const saved = useRef(stored.document);
  /** Whether the browser keeps what is not saved yet: only where it does not, leaving has to ask. */
  const isKept = useRef(true);

  const keep = useCallback(
    (document: SetDocument) => {
      markPage(stored.id, page.current);
      const draft = { setId: stored.id, from: page.current, base: saver.current!.base(), document };
      void keepDraft({ ...draft, at: new Date().toISOString() }).then((done) => {
        isKept.current = done;
      });
    },
    [stored.id],
  );

  const { present } = history;
  useEffect(() => {
    if (present === saved.current) return;
    saved.current = present;
    saver.current!.want(present);
    keep(present);
  }, [present, keep]);

  useEffect(() => {
    const letGo = holdPage(page.current);
    let isGone = false;
    const shown = JSON.stringify(stored.document);
    void leftDrafts(stored.id).then((all) => {
      // What the server has by now needs no putting back, neither now nor later over newer work.
      const isSeen = ({ savedAs, document }: Draft) =>
        savedAs === undefined ? JSON.stringify(document) === shown : savedAs <= stored.revision;
      for (const draft of all) if (isSeen(draft)) void dropDraft(draft.setId, draft.from);
      const left = all.find((draft) => !isSeen(draft));
      if (isGone || !left || saved.current !== stored.document) return;
      if (left.savedAs !== undefined) {
        // Saved after this page was asked for: it is what the server would send now.
        saved.current = left.document;
        setHistory(begin(left.document));
        saver.current!.goOnFrom(left.savedAs);
        return;
      }
      void dropDraft(left.setId, left.from);
      // In the name of the page it was made on: what that one has saved since is no conflict.
      page.current = left.from;
      letGo();
      holdPage(left.from);
      saved.current = left.document;
      setHistory((h) => record(h, left.document, null));
      setPutBack(left.at);
      saver.current!.takeUp(left.base, left.document);
      keep(left.document);
    });
    const leave = () => void saver.current!.flush(true);
    const ask = (event: BeforeUnloadEvent) => {
      if (saver.current!.isUnsaved() && !isKept.current) event.preventDefault();
    };
    const tryAgain = () => saver.current!.retry();
    window.addEventListener('pagehide', leave);
    window.addEventListener('beforeunload', ask);
    window.addEventListener('online', tryAgain);
    return () => {
      isGone = true;
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('beforeunload', ask);
      window.removeEventListener('online', tryAgain);
      leave();
      letGo();
    };
  }, [stored.id, stored.revision, stored.document, keep]);

  const edit = useCallback<EditedSet['edit']>((change, about) => {
    setHistory((h) => record(h, change(h.present), about ?? null));
  }, []);
  const editAndSave = (change: (document: SetDocument) => SetDocument): Promise<void> => {
    const next = change(present);
    setHistory((h) => record(h, next, null));
    saved.current = next;
    saver.current!.want(next);
    keep(next);
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
    putBack,
  };
}

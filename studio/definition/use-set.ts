'use client';

import type { SetDocument } from '@arbeit/engine/document';
import {
  type Dispatch,
  type RefObject,
  type SetStateAction,
  useCallback,
  useEffect,
  useRef,
  useState,
} from 'react';
import type { StoredSet } from '../store/sets.ts';
import { type Draft, dropDraft, holdPage, keepDraft, leftDrafts, markPage, newPage } from './draft.ts';
import { begin, type History, record, redo, undo } from './history.ts';
import { keepNow, recall, recallFromBrowser, remember } from './kept-history.ts';
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

/** What another visit left of the set that this page was not given; what the server has by now is dropped for good. */
async function leftFor(stored: Pick<StoredSet, 'id' | 'revision' | 'document'>): Promise<Draft | undefined> {
  const shown = JSON.stringify(stored.document);
  const isSeen = ({ savedAs, document }: Draft) =>
    savedAs === undefined ? JSON.stringify(document) === shown : savedAs <= stored.revision;
  const all = await leftDrafts(stored.id);
  // What the server has needs no putting back, neither now nor later over newer work.
  for (const draft of all) if (isSeen(draft)) void dropDraft(draft.setId, draft.from);
  return all.find((draft) => !isSeen(draft));
}

/** Saves before the page goes, and again once there is a network; asks only where unsaved work is kept nowhere else. */
function lookAfter(saver: Saver, isKept: () => boolean): () => void {
  const release = new AbortController();
  const { signal } = release;
  const leave = () => void saver.flush(true);
  const ask = (event: BeforeUnloadEvent) => {
    if (saver.isUnsaved() && !isKept()) event.preventDefault();
  };
  window.addEventListener('pagehide', leave, { signal });
  window.addEventListener('beforeunload', ask, { signal });
  window.addEventListener('online', () => saver.retry(), { signal });
  return () => {
    release.abort();
    leave();
  };
}

/** What saves a set, in the name of one page, and keeps in the browser what is not saved yet. */
interface Keeper {
  readonly saver: Saver;
  readonly save: SaveState;
  /** Under whose name is saved: this page's, or that of the one whose work it took up. */
  readonly page: RefObject<string>;
  keep(document: SetDocument): void;
  /** Whether the browser keeps what is not saved yet: only where it does not, leaving has to ask. */
  isKept(): boolean;
}

function useKeeper(stored: StoredSet): Keeper {
  const [save, setSave] = useState<SaveState>({ is: 'saved' });
  const page = useRef('');
  page.current ||= newPage();
  const settle = ({ revision, document }: { revision: number; document: SetDocument }) => {
    const draft = { setId: stored.id, from: page.current, base: revision, savedAs: revision, document };
    void keepDraft({ ...draft, at: new Date().toISOString() });
  };
  const ref = useRef<Saver | null>(null);
  ref.current ??= createSaver(
    stored.revision,
    sendTo(stored.id, () => page.current),
    (state) => {
      setSave(state);
      if (state.is === 'saved' && state.as) settle(state.as);
    },
  );
  const saver = ref.current;
  const kept = useRef(true);
  const keep = useCallback(
    (document: SetDocument) => {
      markPage(stored.id, page.current);
      const draft = { setId: stored.id, from: page.current, base: saver.base(), document };
      void keepDraft({ ...draft, at: new Date().toISOString() }).then((done) => {
        kept.current = done;
      });
    },
    [stored.id, saver],
  );
  const isKept = useCallback(() => kept.current, []);
  return { saver, save, page, keep, isKept };
}

/** Takes up what an earlier visit left unsaved, and says when that was, ISO 8601; null where there was nothing. */
function usePutBack(
  { id, revision, document }: StoredSet,
  { saver, page, keep, isKept }: Keeper,
  saved: RefObject<SetDocument>,
  setHistory: Dispatch<SetStateAction<History<SetDocument>>>,
): string | null {
  const [putBack, setPutBack] = useState<string | null>(null);
  useEffect(() => {
    const letGo = holdPage(page.current);
    let isGone = false;
    void leftFor({ id, revision, document }).then((left) => {
      if (isGone || !left || saved.current !== document) return;
      saved.current = left.document;
      if (left.savedAs !== undefined) {
        // Saved after this page was asked for: it is what the server would send now.
        setHistory(begin(left.document));
        saver.goOnFrom(left.savedAs);
        return;
      }
      void dropDraft(left.setId, left.from);
      // In the name of the page it was made on: what that one has saved since is no conflict.
      page.current = left.from;
      letGo();
      holdPage(left.from);
      setHistory((h) => record(h, left.document, null));
      setPutBack(left.at);
      saver.takeUp(left.base, left.document);
      keep(left.document);
    });
    const stop = lookAfter(saver, isKept);
    return () => {
      isGone = true;
      stop();
      letGo();
    };
  }, [id, revision, document, saved, setHistory, keep, saver, page, isKept]);
  return putBack;
}

/** Undo over a reload and from one page to the next. */
function useKeptHistory(
  { id, document }: StoredSet,
  history: History<SetDocument>,
  setHistory: Dispatch<SetStateAction<History<SetDocument>>>,
): void {
  useEffect(() => {
    // What was kept before counts only where nothing has happened here yet.
    void recallFromBrowser(id, document).then((found) => {
      if (!found) return;
      setHistory((now) =>
        now.past.length + now.future.length > 0 || now.present !== document ? now : found,
      );
    });
    const leave = () => void keepNow(id);
    window.addEventListener('pagehide', leave);
    return () => window.removeEventListener('pagehide', leave);
  }, [id, document, setHistory]);
  useEffect(() => {
    if (history.past.length + history.future.length > 0) remember(id, history);
  }, [id, history]);
}

export function useSet(stored: StoredSet): EditedSet {
  const [history, setHistory] = useState(() => recall(stored.id, stored.document));
  const keeper = useKeeper(stored);
  const { saver, save, keep } = keeper;
  const saved = useRef(stored.document);

  const { present } = history;
  useEffect(() => {
    if (present === saved.current) return;
    saved.current = present;
    saver.want(present);
    keep(present);
  }, [present, keep, saver]);

  useKeptHistory(stored, history, setHistory);
  const putBack = usePutBack(stored, keeper, saved, setHistory);

  const edit = useCallback<EditedSet['edit']>((change, about) => {
    setHistory((h) => record(h, change(h.present), about ?? null));
  }, []);
  const editAndSave = (change: (document: SetDocument) => SetDocument): Promise<void> => {
    const next = change(present);
    setHistory((h) => record(h, next, null));
    saved.current = next;
    saver.want(next);
    keep(next);
    return saver.flush();
  };
  const undoEdit = useCallback(() => setHistory(undo), []);
  const redoEdit = useCallback(() => setHistory(redo), []);

  const refusal = save.is === 'refused' ? save : undefined;
  const keepMine = () => {
    if (!refusal) return;
    saver.goOnFrom(refusal.theirs.revision);
    saver.want(present);
    void saver.flush();
  };
  const takeTheirs = () => {
    if (!refusal) return;
    const { revision, document } = refusal.theirs;
    // The draft of mine goes with it: it would be sent again at the next visit, and refused again.
    saver.goOnFrom(revision, document);
    saved.current = document;
    setHistory((h) => record(h, document, null));
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
    retry: () => saver.retry(),
    putBack,
  };
}

'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { StoredSet } from '../store/sets.ts';
import { dropDraft, holdPage, keepDraft, leftDrafts, markPage, newPage } from './draft.ts';
import { type Browser, Edited, type EditedState } from './edited.ts';
import { keepNow, recall, recallFromBrowser, remember } from './kept-history.ts';
import type { Change } from './news.ts';

/** A set being edited: its document, undo and redo, and the state of saving. */
export interface EditedSet extends EditedState, Pick<StoredSet, 'key' | 'id'> {
  /** Changes the document. Consecutive changes about the same thing are one undo step. */
  edit(change: (document: SetDocument) => SetDocument, about?: string): void;
  /** Changes the document. Resolves when it was saved or the save failed; `save` tells which. */
  editAndSave(change: (document: SetDocument) => SetDocument): Promise<void>;
  undo(): void;
  redo(): void;
  /** After a conflict: continues with what somebody has chosen from both versions. It can be undone. */
  resolve(chosen: SetDocument): void;
  retry(): void;
}

/** Tabs of one browser notify each other of saves. */
const tabs = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('arbeit saves');

const browserFor = ({ key }: StoredSet): Browser => ({
  page: newPage(),
  load: async () => {
    const { createSaver, sendTo, changesOf, follow } = await import('./saving.ts');
    const around = { send: sendTo(key), changesSince: changesOf(key) };
    return {
      createSaver: (from, more) => createSaver(from, { ...more, ...around }),
      follow: (heard) => follow(key, heard),
    };
  },
  keep: (draft) => {
    markPage(key, draft.page);
    return keepDraft(draft);
  },
  drop: (draft) => void dropDraft(draft),
  left: leftDrafts,
  hold: holdPage,
  announce: (of, change) => tabs?.postMessage({ key: of, change }),
  now: () => performance.now(),
});

/**
 * Saves before the page is unloaded, and again when the network is back. Asks before leaving only if unsaved
 * changes are stored nowhere. Receives the changes of others.
 */
function lookAfter(edited: Edited): () => void {
  const release = new AbortController();
  const { signal } = release;
  window.addEventListener('pagehide', () => edited.leave(), { signal });
  window.addEventListener(
    'beforeunload',
    (event) => {
      if (edited.isAtRisk()) event.preventDefault();
    },
    { signal },
  );
  // Load the saver before the first edit.
  const once = { signal, once: true };
  for (const type of ['pointerdown', 'keydown', 'focusin'])
    window.addEventListener(type, () => void edited.prepare().catch(() => undefined), once);
  window.addEventListener('online', edited.retry, { signal });
  window.addEventListener('online', () => edited.catchUp(), { signal });
  document.addEventListener(
    'visibilitychange',
    () => {
      if (document.visibilityState === 'visible') edited.catchUp();
    },
    { signal },
  );
  tabs?.addEventListener(
    'message',
    ({ data }: MessageEvent<{ readonly key: string; readonly change: Change }>) =>
      edited.heard(data.key, data.change),
    { signal },
  );
  return () => release.abort();
}

/** Keeps undo across reloads and pages. */
function useKeptHistory({ key, document }: StoredSet, edited: Edited): void {
  useEffect(() => {
    // A stored history is used only if nothing has been edited here yet.
    void recallFromBrowser(key, document).then((found) => found && edited.recall(found));
    const leave = () => void keepNow(key);
    window.addEventListener('pagehide', leave);
    return () => window.removeEventListener('pagehide', leave);
  }, [key, document, edited]);
  useEffect(
    () =>
      edited.subscribe(() => {
        const history = edited.history();
        if (history.past.length + history.future.length > 0) remember(key, history);
      }),
    [key, edited],
  );
}

export function useSet(stored: StoredSet): EditedSet {
  const [edited] = useState(
    () => new Edited(stored, recall(stored.key, stored.document), browserFor(stored)),
  );
  const state = useSyncExternalStore(edited.subscribe, edited.state, edited.state);
  useKeptHistory(stored, edited);
  useEffect(() => {
    const stop = lookAfter(edited);
    const letGo = edited.start();
    return () => {
      stop();
      letGo();
    };
  }, [edited]);
  const { edit, editAndSave, undo, redo, resolve, retry } = edited;
  return {
    key: stored.key,
    id: stored.id,
    ...state,
    edit,
    editAndSave,
    undo,
    redo,
    resolve,
    retry,
  };
}

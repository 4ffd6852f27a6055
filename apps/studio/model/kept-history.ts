import type { SetDocument } from '@arbeit/engine/document';
import { get, set } from 'idb-keyval';
import { browserStore } from './browser-store.ts';
import { begin, type History } from './history.ts';

/**
 * Undo history that outlives its page: in memory between pages, in the browser over a reload. It belongs to
 * one exact document.
 */

type Steps = History<SetDocument>;

const store = browserStore('arbeit-undo', 'undo');

const here = new Map<string, Steps>();

/** Number of steps that are kept over a reload. */
const mostKept = 60;

const isThat = (history: Steps, document: SetDocument): boolean =>
  history.present === document || JSON.stringify(history.present) === JSON.stringify(document);

/** The history of a set from another page of this visit, if the document is still the same. */
export function recall(id: string, document: SetDocument): Steps {
  const found = here.get(id);
  return found && isThat(found, document) ? { ...found, present: document, about: null } : begin(document);
}

/** The history from before a reload; `undefined` if there is none. */
export async function recallFromBrowser(id: string, document: SetDocument): Promise<Steps | undefined> {
  try {
    const found = await get<Steps>(id, store);
    return found && isThat(found, document) ? { ...found, present: document, about: null } : undefined;
  } catch {
    // Without storage, undo does not survive a reload.
    return undefined;
  }
}

let waiting: ReturnType<typeof setTimeout> | undefined;

/** Keeps the history of a set, in the browser after a pause. */
export function remember(id: string, history: Steps): void {
  here.set(id, history);
  clearTimeout(waiting);
  waiting = setTimeout(() => void keepNow(id), 400);
}

/** Keeps it at once, because the page is closing. */
export async function keepNow(id: string): Promise<void> {
  const history = here.get(id);
  if (!history) return;
  const { past, present, future } = history;
  const kept = { past: past.slice(-mostKept), present, future: future.slice(0, mostKept), about: null };
  try {
    await set(id, kept, store);
  } catch {
    // Only undo after a reload is lost; the document itself is stored elsewhere.
  }
}

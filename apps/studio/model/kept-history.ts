import type { SetDocument } from '@arbeit/engine/document';
import { get, set } from 'idb-keyval';
import { browserStore } from './browser-store.ts';
import { begin, type History } from './history.ts';

/**
 * Undo that outlives its page: from desk to shelf it is kept here, over a reload in the browser. It belongs
 * to one document as it stands.
 */

type Steps = History<SetDocument>;

const store = browserStore('arbeit-undo', 'undo');

const here = new Map<string, Steps>();

/** So many steps outlive a reload. */
const mostKept = 60;

const isThat = (history: Steps, document: SetDocument): boolean =>
  history.present === document || JSON.stringify(history.present) === JSON.stringify(document);

/**
 * The history of a set as another page of this visit left it, if its document is still the one that stands
 * there.
 */
export function recall(id: string, document: SetDocument): Steps {
  const found = here.get(id);
  return found && isThat(found, document) ? { ...found, present: document, about: null } : begin(document);
}

/** The same from before a reload; `undefined` where there is none. */
export async function recallFromBrowser(id: string, document: SetDocument): Promise<Steps | undefined> {
  try {
    const found = await get<Steps>(id, store);
    return found && isThat(found, document) ? { ...found, present: document, about: null } : undefined;
  } catch {
    // A browser that keeps nothing has no undo over a reload.
    return undefined;
  }
}

let waiting: ReturnType<typeof setTimeout> | undefined;

/** Keeps the history of a set, in the browser once nothing has changed for a moment. */
export function remember(id: string, history: Steps): void {
  here.set(id, history);
  clearTimeout(waiting);
  waiting = setTimeout(() => void keepNow(id), 400);
}

/** Keeps it at once: the page is about to go. */
export async function keepNow(id: string): Promise<void> {
  const history = here.get(id);
  if (!history) return;
  const { past, present, future } = history;
  const kept = { past: past.slice(-mostKept), present, future: future.slice(0, mostKept), about: null };
  try {
    await set(id, kept, store);
  } catch {
    // Without it only undo over a reload is missing; the work itself is kept elsewhere.
  }
}

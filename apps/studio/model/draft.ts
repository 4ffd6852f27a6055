import type { SetDocument } from '@arbeit/engine/document';
import { del, get, keys, set } from 'idb-keyval';
import { browserStore } from './browser-store.ts';
import type { Outbox } from './saver.ts';

/**
 * Changes of a page, kept in the browser (IndexedDB). A draft is kept until a page has seen the saved
 * revision: a reload may have been answered before the save was.
 */
export interface Draft {
  /** Key of the set. */
  readonly key: string;
  /** Name of the page it was made on. */
  readonly page: string;
  /** What that page was sending and knew of the store; absent in drafts of an older Arbeit. */
  readonly outbox?: Outbox;
  readonly document: SetDocument;
  /** The revision it was saved as, if the server has acknowledged it. */
  readonly savedAs?: number;
  /** Time (ISO 8601). */
  readonly at: string;
}

const store = browserStore('arbeit', 'drafts');

const nameOf = (key: string, page: string): string => `${key} ${page}`;
const lockOf = (page: string): string => `arbeit page ${page}`;

/** A unique name for this page. */
export const newPage = (): string =>
  globalThis.crypto?.randomUUID?.() ?? `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;

/** Marks the drafts of this page as in use while the page lives, so that no other page takes them over. */
export function holdPage(page: string): () => void {
  let letGo = () => {};
  const gone = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  void globalThis.navigator?.locks?.request(lockOf(page), () => gone).catch(() => undefined);
  return letGo;
}

/**
 * Keeps a draft in place of the page's earlier one. Resolves to `false` if the browser refuses: then leaving
 * must ask.
 */
export async function keepDraft(draft: Draft): Promise<boolean> {
  try {
    await set(nameOf(draft.key, draft.page), draft, store);
    return true;
  } catch {
    return false;
  }
}

export const dropDraft = ({ key, page }: Pick<Draft, 'key' | 'page'>): Promise<void> =>
  del(nameOf(key, page), store).catch(() => undefined);

/** A draft of an older version of Arbeit, stored by the id of the set. */
type Former = {
  readonly from: string;
  readonly document: SetDocument;
  readonly at: string;
  readonly savedAs?: number;
};

/** Drafts of a set whose page is gone, newest first: by key, and by id as an older Arbeit kept them. */
export async function leftDrafts(set: {
  readonly key: string;
  readonly id: string;
}): Promise<readonly Draft[]> {
  try {
    const drafts: Draft[] = [];
    for (const name of await keys<string>(store)) {
      const [key = '', page = ''] = name.split(' ');
      if (key !== set.key && key !== set.id) continue;
      const found = await get<Draft | Former>(name, store);
      if (!found || !(await isLeft(page, set.key))) continue;
      const { document, at, savedAs } = found;
      drafts.push('outbox' in found ? found : { key, page, document, at, ...(savedAs ? { savedAs } : {}) });
    }
    // A page counts its own saves; drafts of two pages are ordered by the clock.
    return drafts.sort((a, b) => b.at.localeCompare(a.at));
  } catch {
    return [];
  }
}

/** How long a page that is closing may hold its name, in milliseconds. */
const lastBreath = 10_000;

async function isLeft(page: string, key: string): Promise<boolean> {
  const locks = globalThis.navigator?.locks;
  // Without locks no page can mark its drafts as in use; the draft counts as left.
  if (!locks) return true;
  // The page before this one in the tab may still be closing, so its lock is waited for.
  const options =
    page === pageBefore(key) ? { signal: AbortSignal.timeout(lastBreath) } : { ifAvailable: true };
  return locks.request(lockOf(page), options, async (lock) => lock !== null).catch(() => false);
}

const tabKey = (key: string): string => `arbeit page ${key}`;

/** Remembers in this tab which page edited a set, for the page that is loaded over it. */
export function markPage(key: string, page: string): void {
  try {
    sessionStorage.setItem(tabKey(key), page);
  } catch {
    // Then a reload takes only drafts whose lock is free immediately.
  }
}

function pageBefore(key: string): string | null {
  try {
    return sessionStorage.getItem(tabKey(key));
  } catch {
    return null;
  }
}

const textKey = (name: string): string => `arbeit text ${name}`;

/**
 * Keeps a text that is no part of the document because it has a fault; `null` forgets it. Kept synchronously:
 * whoever corrects the fault and reloads must not find it again.
 */
export function keepText(name: string, text: string | null): void {
  try {
    if (text === null) localStorage.removeItem(textKey(name));
    else localStorage.setItem(textKey(name), text);
  } catch {
    // Storage is full or blocked; the input itself still has the text.
  }
}

export function keptText(name: string): string | null {
  try {
    return localStorage.getItem(textKey(name));
  } catch {
    return null;
  }
}

import type { SetDocument } from '@arbeit/engine/document';
import { del, get, keys, set } from 'idb-keyval';
import { browserStore } from './browser-store.ts';
import type { Outbox } from './saver.ts';

/**
 * What a page has changed, kept in the browser (IndexedDB). It outlives its acknowledgement until a page has
 * seen that revision: a reload may have been answered before the save was.
 */
export interface Draft {
  /** The key of the set. */
  readonly key: string;
  /** The page it was made on. */
  readonly page: string;
  /**
   * What that page was sending, and what it knew of the store; of a draft of an older Arbeit there is none.
   */
  readonly outbox?: Outbox;
  readonly document: SetDocument;
  /** The revision the server acknowledged it as, where it did. */
  readonly savedAs?: number;
  /** When, ISO 8601. */
  readonly at: string;
}

const store = browserStore('arbeit', 'drafts');

const nameOf = (key: string, page: string): string => `${key} ${page}`;
const lockOf = (page: string): string => `arbeit page ${page}`;

/** A name for this page, unlike any other's. */
export const newPage = (): string =>
  globalThis.crypto?.randomUUID?.() ?? `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;

/** Says, for as long as the page lives, that its drafts have somebody: no other page takes them up. */
export function holdPage(page: string): () => void {
  let letGo = () => {};
  const gone = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  void globalThis.navigator?.locks?.request(lockOf(page), () => gone).catch(() => undefined);
  return letGo;
}

/**
 * Keeps a draft in place of the page's earlier one. `false` where the browser would not: then leaving must
 * ask.
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

/** A draft as an older Arbeit kept it, by the id of the set. */
type Former = {
  readonly from: string;
  readonly document: SetDocument;
  readonly at: string;
  readonly savedAs?: number;
};

/**
 * Drafts of a set whose page is gone, the newest first: by its key, and by its id as an older Arbeit named
 * them.
 */
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
    // A page counts its own saves; of two pages the clock has to tell.
    return drafts.sort((a, b) => b.at.localeCompare(a.at));
  } catch {
    return [];
  }
}

/** How long a page that is going away may take to let go of its name, in milliseconds. */
const lastBreath = 10_000;

async function isLeft(page: string, key: string): Promise<boolean> {
  const locks = globalThis.navigator?.locks;
  // Without locks no page can say that it is there; then a draft is taken for left.
  if (!locks) return true;
  // The page this one was loaded over is on its way out, though it may not have got there: its last words are
  // waited for.
  const options =
    page === pageBefore(key) ? { signal: AbortSignal.timeout(lastBreath) } : { ifAvailable: true };
  return locks.request(lockOf(page), options, async (lock) => lock !== null).catch(() => false);
}

const tabKey = (key: string): string => `arbeit page ${key}`;

/** Remembers in this tab which page a set was edited on, for the page that is loaded over it. */
export function markPage(key: string, page: string): void {
  try {
    sessionStorage.setItem(tabKey(key), page);
  } catch {
    // Then a reload goes by what it can see at once.
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
 * A text that is no part of the document yet because it has a fault: unsaved work all the same. `null`
 * forgets it. Kept at once, not soon: whoever mends the fault and reloads must not find the fault again.
 */
export function keepText(name: string, text: string | null): void {
  try {
    if (text === null) localStorage.removeItem(textKey(name));
    else localStorage.setItem(textKey(name), text);
  } catch {
    // No room, or not allowed here: the line itself still has it.
  }
}

export function keptText(name: string): string | null {
  try {
    return localStorage.getItem(textKey(name));
  } catch {
    return null;
  }
}

import type { SetDocument } from '@arbeit/engine/document';
import { del, get, keys, set } from 'idb-keyval';
import { browserStore } from './browser-store.ts';

/**
 * What a page has changed, kept in the browser (IndexedDB). It outlives its acknowledgement until a page has seen that
 * revision: a reload may have been answered before the save was.
 */
export interface Draft {
  readonly setId: string;
  /** The page it was made on. */
  readonly from: string;
  /** The revision it was made on. */
  readonly base: number;
  readonly document: SetDocument;
  /** The revision the server acknowledged it as, where it did. */
  readonly savedAs?: number;
  /** When, ISO 8601. */
  readonly at: string;
}

const store = browserStore('arbeit', 'drafts');

const keyOf = (setId: string, from: string): string => `${setId} ${from}`;
const lockOf = (from: string): string => `arbeit page ${from}`;

/** A name for this page, unlike any other's. */
export const newPage = (): string =>
  globalThis.crypto?.randomUUID?.() ?? `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;

/** Says, for as long as the page lives, that its drafts have somebody: no other page takes them up. */
export function holdPage(from: string): () => void {
  let letGo = () => {};
  const gone = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  void globalThis.navigator?.locks?.request(lockOf(from), () => gone).catch(() => undefined);
  return letGo;
}

/** Keeps a draft in place of the page's earlier one. `false` where the browser would not: then leaving must ask. */
export async function keepDraft(draft: Draft): Promise<boolean> {
  try {
    await set(keyOf(draft.setId, draft.from), draft, store);
    return true;
  } catch {
    return false;
  }
}

export const dropDraft = (setId: string, from: string): Promise<void> =>
  del(keyOf(setId, from), store).catch(() => undefined);

/** Drafts of a set whose page is gone, the newest first. */
export async function leftDrafts(setId: string): Promise<readonly Draft[]> {
  try {
    const drafts: Draft[] = [];
    for (const key of await keys<string>(store)) {
      if (!key.startsWith(`${setId} `)) continue;
      const draft = await get<Draft>(key, store);
      if (draft && (await isLeft(draft.from, setId))) drafts.push(draft);
    }
    return drafts.sort((a, b) => b.at.localeCompare(a.at));
  } catch {
    return [];
  }
}

/** How long a page that is going away may take to let go of its name, in milliseconds. */
const lastBreath = 10_000;

async function isLeft(from: string, setId: string): Promise<boolean> {
  const locks = globalThis.navigator?.locks;
  // Without locks no page can say that it is there; then a draft is taken for left.
  if (!locks) return true;
  // The page this one was loaded over is on its way out, though it may not have got there: its last words are waited for.
  const options =
    from === pageBefore(setId) ? { signal: AbortSignal.timeout(lastBreath) } : { ifAvailable: true };
  return locks.request(lockOf(from), options, async (lock) => lock !== null).catch(() => false);
}

const tabKey = (setId: string): string => `arbeit page ${setId}`;

/** Remembers in this tab which page a set was edited on, for the page that is loaded over it. */
export function markPage(setId: string, from: string): void {
  try {
    sessionStorage.setItem(tabKey(setId), from);
  } catch {
    // Then a reload goes by what it can see at once.
  }
}

function pageBefore(setId: string): string | null {
  try {
    return sessionStorage.getItem(tabKey(setId));
  } catch {
    return null;
  }
}

const textKey = (name: string): string => `arbeit text ${name}`;

/**
 * A text that is no part of the document yet because it has a fault: unsaved work all the same. `null` forgets it.
 * Kept at once, not soon: whoever mends the fault and reloads must not find the fault again.
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

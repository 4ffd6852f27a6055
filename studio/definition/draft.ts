import { createStore, del, get, keys, set } from 'idb-keyval';
import type { SetDocument } from '../../engine/compile/document.ts';

/** What a page has changed and the server has not acknowledged, kept in the browser (IndexedDB). */
export interface Draft {
  readonly setId: string;
  /** The page it was made on. */
  readonly from: string;
  /** The revision it was made on. */
  readonly base: number;
  readonly document: SetDocument;
  /** When, ISO 8601. */
  readonly at: string;
}

const store = () => createStore('arbeit', 'drafts');
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
    await set(keyOf(draft.setId, draft.from), draft, store());
    return true;
  } catch {
    return false;
  }
}

export const dropDraft = (setId: string, from: string): Promise<void> =>
  del(keyOf(setId, from), store()).catch(() => undefined);

/** Drafts of a set whose page is gone, the newest first. */
export async function leftDrafts(setId: string): Promise<readonly Draft[]> {
  try {
    const drafts: Draft[] = [];
    for (const key of await keys<string>(store())) {
      if (!key.startsWith(`${setId} `)) continue;
      const draft = await get<Draft>(key, store());
      if (draft && (await isLeft(draft.from))) drafts.push(draft);
    }
    return drafts.sort((a, b) => b.at.localeCompare(a.at));
  } catch {
    return [];
  }
}

async function isLeft(from: string): Promise<boolean> {
  const locks = globalThis.navigator?.locks;
  // Without locks no page can say that it is there; then a draft is taken for left.
  return locks ? locks.request(lockOf(from), { ifAvailable: true }, async (lock) => lock !== null) : true;
}

const texts = () => createStore('arbeit-texts', 'texts');

/** A text that is no part of the document yet because it has a fault: unsaved work all the same. `null` forgets it. */
export const keepText = (name: string, text: string | null): Promise<void> =>
  (text === null ? del(name, texts()) : set(name, text, texts())).catch(() => undefined);

export const keptText = (name: string): Promise<string | undefined> =>
  get<string>(name, texts()).catch(() => undefined);

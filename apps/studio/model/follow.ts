import type { Change } from './news.ts';

/** Pause before another request if the server refused one, in milliseconds. */
const askAgain = 10_000;

type Heard = (change: Change) => void;

/** Listeners of this page, by the key of the set. */
const following = new Map<string, Set<Heard>>();

/**
 * One connection for all sets of a page: browsers open at most six to a server with HTTP/1.1, for all tabs
 * together.
 */
let source: EventSource | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;

function shut(): void {
  clearTimeout(timer);
  source?.close();
  source = undefined;
}

/**
 * Opens the connection for the current sets. The server first sends their current revisions, so nothing is
 * missed.
 */
function open(): void {
  shut();
  if (document.visibilityState !== 'visible' || following.size === 0) return;
  const query = new URLSearchParams([...following.keys()].map((key) => ['set', key]));
  const own = new EventSource(`/api/changes?${query}`);
  source = own;
  own.addEventListener('message', ({ data }) => {
    const [key = '', generation = '', revision] = String(data).split(' ');
    for (const heard of following.get(key) ?? []) heard({ generation, revision: Number(revision) });
  });
  own.addEventListener('error', () => {
    // The browser reconnects automatically after a lost connection, but not after a refused request.
    if (own === source && own.readyState === EventSource.CLOSED) timer = setTimeout(open, askAgain);
  });
}

/** Opens it after a short pause: all sets of a shelf follow at the same time. */
function openSoon(): void {
  clearTimeout(timer);
  timer = setTimeout(open, 50);
}

/**
 * Calls `heard` after each save of the set `key` while the page is visible. Returns a function that ends
 * this.
 */
export function follow(key: string, heard: Heard): () => void {
  const all = following.get(key) ?? new Set();
  if (following.size === 0) document.addEventListener('visibilitychange', open);
  if (all.size === 0) openSoon();
  following.set(key, all.add(heard));
  return () => {
    all.delete(heard);
    if (all.size > 0) return;
    following.delete(key);
    openSoon();
    if (following.size === 0) document.removeEventListener('visibilitychange', open);
  };
}

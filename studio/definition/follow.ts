import type { Change } from './news.ts';

/** How long to wait before asking again a server that did not take the question, in milliseconds. */
const askAgain = 10_000;

type Heard = (change: Change) => void;

/** Who on this page wants to hear of which set. */
const following = new Map<string, Set<Heard>>();

/** One connection for all sets of a page: a browser has few for all of its tabs (HTTP/1.1, six). */
let source: EventSource | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;

function shut(): void {
  clearTimeout(timer);
  source?.close();
  source = undefined;
}

/** Asks for the sets that are followed now. What was missed meanwhile comes first. */
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
    // A connection that was lost the browser makes again by itself; one that was refused it does not.
    if (own === source && own.readyState === EventSource.CLOSED) timer = setTimeout(open, askAgain);
  });
}

/** Soon: a shelf has many sets, and all of them ask at once. */
function openSoon(): void {
  clearTimeout(timer);
  timer = setTimeout(open, 50);
}

/** Hears from the server what is saved of a set, by whomever, for as long as the page is seen. Answers what ends it. */
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

'use client';

import { get, set } from 'idb-keyval';
import { useEffect, useMemo, useRef, useState } from 'react';
import { browserStore } from './browser-store.ts';

const store = browserStore('arbeit-proof', 'found');

/** How often changing state is kept, in milliseconds. It is always kept when the page closes. */
const often = 300;

/**
 * State that outlives its page, in the browser: what took minutes to find is not lost with a closed tab.
 * `asKept` converts a state that was kept while something ran. A browser that keeps nothing only loses this.
 */
export function useKept<T>(
  key: string,
  first: T,
  asKept: (state: T) => T,
): readonly [T, (next: (now: T) => T) => void] {
  const [state, setState] = useState(first);
  const isOurs = useRef(false);
  const last = useRef(0);
  const change = (next: (now: T) => T): void => {
    isOurs.current = true;
    setState(next);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was kept is asked for once a key
  useEffect(() => {
    let isGone = false;
    get<T>(key, store)
      .then((found) => {
        // Anything started in the meantime is newer.
        if (found !== undefined && !isGone && !isOurs.current) setState(asKept(found));
      })
      .catch(() => {});
    return () => {
      isGone = true;
    };
  }, [key]);
  useEffect(() => {
    if (!isOurs.current) return undefined;
    const keep = (): void => {
      last.current = Date.now();
      void set(key, state, store).catch(() => {});
    };
    const timer = setTimeout(keep, Math.max(0, last.current + often - Date.now()));
    window.addEventListener('pagehide', keep);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', keep);
    };
  }, [key, state]);
  return [state, change];
}

/**
 * Whether a set differs from the one a result is about. After a reload it is another object with the same
 * content.
 */
export function useHasChanged(about: object | undefined, present: object): boolean {
  return useMemo(
    () => about !== undefined && about !== present && JSON.stringify(about) !== JSON.stringify(present),
    [about, present],
  );
}

'use client';

import { get, set } from 'idb-keyval';
import { useEffect, useMemo, useRef, useState } from 'react';
import { browserStore } from './browser-store.ts';

const store = browserStore('arbeit-proof', 'found');

/** What goes on changing is kept this often, in milliseconds; and in any case when its page goes away. */
const often = 300;

/**
 * State that outlives its page, in the browser: what took minutes to find is not gone with a closed tab.
 * `asKept` says what a state is that was kept in the middle. A browser that keeps nothing loses only that.
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
        // Whatever was begun meanwhile is newer.
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
 * Whether a set is another than the one something was found about. What was kept over a reload is another
 * object with the same in it.
 */
export function useHasChanged(about: object | undefined, present: object): boolean {
  return useMemo(
    () => about !== undefined && about !== present && JSON.stringify(about) !== JSON.stringify(present),
    [about, present],
  );
}

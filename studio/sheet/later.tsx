'use client';

import { type ComponentType, useCallback, useEffect, useRef, useState } from 'react';

/** Something fetched only when it is wanted: it weighs nothing on a first visit. */
export interface Later<T> {
  /** It, once it is wanted and there. */
  readonly it: T | undefined;
  /** What to tell when it could not be fetched; wanting it again tries again. */
  readonly problem: string;
  /** Fetches it, so that it is at hand when it is wanted. */
  fetch(): void;
  /** Asks for it. What is at hand is there in the same task, before the next key. */
  want(): void;
}

/** `load` must be one and the same function from one drawing to the next. */
export function useLater<T>(load: () => Promise<T>): Later<T> {
  const [it, setIt] = useState<T>();
  const [problem, setProblem] = useState('');
  const atHand = useRef<T>(undefined);
  const fetch = useCallback(() => {
    load().then(
      (loaded) => {
        atHand.current = loaded;
      },
      // It is asked for again when it is wanted, and told then.
      () => undefined,
    );
  }, [load]);
  const want = useCallback(() => {
    if (atHand.current !== undefined) {
      const loaded = atHand.current;
      setIt(() => loaded);
      return;
    }
    load().then(
      (loaded) => {
        setProblem('');
        setIt(() => loaded);
      },
      () => setProblem('This could not be opened: Arbeit did not answer. Try again.'),
    );
  }, [load]);
  return { it, problem, fetch, want };
}

/** A component that can be fetched before it is drawn. */
export type Deferred<P> = ComponentType<P> & { readonly fetch: () => Promise<unknown> };

/**
 * A component that is fetched when it is first drawn, or before: for what stands inside something one has to open.
 * Fetched before, it is there at once, so that whatever opens around it finds what to give the focus to.
 */
export function deferred<P extends object>(load: () => Promise<ComponentType<P>>): Deferred<P> {
  let here: ComponentType<P> | undefined;
  const fetch = () =>
    load().then((component) => {
      here = component;
      return component;
    });
  function Deferred(props: P) {
    const { it, problem, want } = useLater(fetch);
    const Loaded = it ?? here;
    useEffect(() => {
      if (!here) want();
    }, [want]);
    return Loaded ? <Loaded {...props} /> : <p role="status">{problem}</p>;
  }
  return Object.assign(Deferred, { fetch });
}

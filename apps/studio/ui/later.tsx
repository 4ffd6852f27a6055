'use client';

import { type ComponentType, useCallback, useEffect, useState } from 'react';

/**
 * Something fetched only when it is wanted: it weighs nothing on a first visit. Fetched once for the whole
 * page.
 */
export interface Later<T> {
  /** Fetches it; one that failed is tried again the next time. */
  fetch(): Promise<T>;
  /** It, once it has been fetched. */
  atHand(): T | undefined;
}

export function later<T>(load: () => Promise<T>): Later<T> {
  let coming: Promise<T> | undefined;
  let here: T | undefined;
  const fetch = async (): Promise<T> => {
    coming ??= load();
    try {
      here = await coming;
      return here;
    } catch (problem) {
      coming = undefined;
      throw problem;
    }
  };
  return { fetch, atHand: () => here };
}

/** The first of two that are of use together only. */
export function together<T>(first: Later<T>, second: Later<unknown> | undefined): Later<T> {
  if (!second) return first;
  return {
    fetch: async () => (await Promise.all([first.fetch(), second.fetch()]))[0],
    atHand: () => (second.atHand() === undefined ? undefined : first.atHand()),
  };
}

/** What is fetched later, for a component that may come to want it. */
interface Wanted<T> {
  /** It, once it is wanted and there. */
  readonly it: T | undefined;
  /** What to tell when it could not be fetched; wanting it again tries again. */
  readonly problem: string;
  /** Asks for it. What is at hand is there in the same task, before the next key. */
  want(): void;
}

/** `from` must be one and the same from one drawing to the next. */
export function useLater<T>(from: Later<T>): Wanted<T> {
  const [it, setIt] = useState<T>();
  const [problem, setProblem] = useState('');
  const want = useCallback(() => {
    const take = (loaded: T) => {
      setProblem('');
      setIt(() => loaded);
    };
    const loaded = from.atHand();
    if (loaded !== undefined) take(loaded);
    else
      from
        .fetch()
        .then(take, () => setProblem('This could not be opened: Arbeit did not answer. Try again.'));
  }, [from]);
  return { it, problem, want };
}

/** A component that can be fetched before it is drawn. */
export type Deferred<P> = ComponentType<P> & Later<ComponentType<P>>;

/**
 * A component that is fetched when it is first drawn, or before: for what stands inside something one has to
 * open. Fetched before, it is there at once, so that whatever opens around it finds what to give the focus
 * to.
 */
export function deferred<P extends object>(load: () => Promise<ComponentType<P>>): Deferred<P> {
  const from = later(load);
  function Deferred(props: P) {
    const { it, problem, want } = useLater(from);
    const Loaded = it ?? from.atHand();
    useEffect(want, [want]);
    return Loaded ? <Loaded {...props} /> : <p role="status">{problem}</p>;
  }
  return Object.assign(Deferred, from);
}

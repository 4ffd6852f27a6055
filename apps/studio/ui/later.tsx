'use client';

import { type ComponentType, useCallback, useEffect, useRef, useState } from 'react';
import * as words from '../words/ui/later.ts';
import { holdKeys, takeHeldKeys } from './held-keys.ts';

/** Something loaded only when needed, which costs nothing on a first visit. It is loaded once per page. */
export interface Later<T> {
  /** Loads it; after a failure it is loaded again at the next call. */
  fetch(): Promise<T>;
  /** Its value, once loaded. */
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

/** The first of two that are useful only together; both are loaded. */
export function together<T>(first: Later<T>, second: Later<unknown> | undefined): Later<T> {
  if (!second) return first;
  return {
    fetch: async () => (await Promise.all([first.fetch(), second.fetch()]))[0],
    atHand: () => (second.atHand() === undefined ? undefined : first.atHand()),
  };
}

/** Something loaded later, as a component uses it. */
interface Wanted<T> {
  /** Its value, once wanted and loaded. */
  readonly it: T | undefined;
  /** The error if it could not be loaded; wanting it again retries. */
  readonly problem: string;
  /** Asks for it. If it is loaded, it is available in the same task, before the next key. */
  want(): void;
  /** Asks for a dialog: the keys pressed while it is loading are typed into it once it opens. */
  open(): void;
}

/** `from` must be the same on every render. */
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
      from.fetch().then(take, () => {
        takeHeldKeys();
        setProblem(words.couldNotLoadThisPart);
      });
  }, [from]);
  const holds = useRef(false);
  const open = useCallback(() => {
    holds.current = from.atHand() === undefined;
    if (holds.current) holdKeys();
    want();
  }, [from, want]);
  // A page that is left before its dialog has come keeps no keys from the next.
  useEffect(() => () => void (holds.current && takeHeldKeys()), []);
  return { it, problem, want, open };
}

/** A component that can be loaded before it is drawn. */
export type Deferred<P> = ComponentType<P> & Later<ComponentType<P>>;

/**
 * A component that is loaded when first drawn, or before: for the content of something that opens. If loaded
 * before, it is there immediately, so that the surrounding dialog finds what to focus.
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

import { sharedEvent, sharedText } from '@arbeit/engine/field';
import type { FieldStore } from './store.ts';

/** What fields that share a value exchange: the typed value, or for numbers what is typed so far. */
const sharedBy = (store: FieldStore): string => sharedText(store.field, store.state().body);

/** Gives a field the value of another. */
function give(store: FieldStore, text: string): void {
  const event = sharedEvent(store.field, store.state().body, text);
  if (event) store.dispatch(event);
}

/**
 * Makes fields show one value, each in its own way: a change of one changes the others. A field that already
 * has the value keeps its caret. Returns a function that stops.
 *
 * @example
 * const stop = share([store, createStore(pass, evaluateOn())]);
 */
export function share(stores: readonly FieldStore[]): () => void {
  let isHanding = false;
  const release = stores.map((store) => {
    let before = sharedBy(store);
    return store.subscribe(() => {
      const text = sharedBy(store);
      // Focus and blur change how a value is written, but not the value.
      if (text === before) return;
      before = text;
      if (isHanding) return;
      isHanding = true;
      for (const other of stores) if (other !== store) give(other, text);
      isHanding = false;
    });
  });
  return () => {
    for (const letGo of release) letGo();
  };
}

/**
 * Makes fields show the value of another field, each in its own way. What is typed into them stays theirs.
 * Returns a function that stops.
 *
 * @example
 * const stop = follow(store, [createStore(pass, evaluateOn())]);
 */
export function follow(leader: FieldStore, followers: readonly FieldStore[]): () => void {
  let before: string | undefined;
  const hand = (): void => {
    const text = sharedBy(leader);
    if (text === before) return;
    before = text;
    for (const store of followers) give(store, text);
  };
  hand();
  return leader.subscribe(hand);
}

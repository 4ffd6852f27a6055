import type { FieldStore } from './store.ts';

/** What fields that share a value exchange: the typed value, or for numbers what is typed so far. */
function sharedBy(store: FieldStore): string {
  const { value, raw } = store.evaluation();
  return store.field.kind.shares === 'raw' ? raw : (value ?? '');
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
  const hand = (from: FieldStore): void => {
    if (isHanding) return;
    isHanding = true;
    const text = sharedBy(from);
    for (const store of stores) {
      if (store === from || sharedBy(store) === text) continue;
      store.dispatch({ type: 'set', text });
    }
    isHanding = false;
  };
  const release = stores.map((store) => {
    let before = store.state().body;
    return store.subscribe((state) => {
      if (state.body === before) return;
      before = state.body;
      hand(store);
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
  const hand = (): void => {
    const text = sharedBy(leader);
    for (const store of followers) if (sharedBy(store) !== text) store.dispatch({ type: 'set', text });
  };
  let before = leader.state().body;
  hand();
  return leader.subscribe((state) => {
    if (state.body === before) return;
    before = state.body;
    hand();
  });
}

import type { FieldStore } from './store.ts';

/** Events that do not change the content. */
const still = /^(focus|leave|select|submit)$/;

/**
 * Calls `act` when a value becomes complete, once per completion: for submitting a code without a button.
 * Removing a character and typing it again is another completion. Returns a function that stops.
 *
 * @example
 * const stop = onCompletion(store, (value) => console.log(value));
 */
export function onCompletion(store: FieldStore, act: (value: string) => void): () => void {
  let last = store.state().body.complete ? store.state().body.content : null;
  return store.subscribe((state, event) => {
    const { complete, content } = state.body;
    if (!complete) last = null;
    else if (content !== last && event && !still.test(event.type)) {
      last = content;
      const { value } = store.evaluation();
      if (value !== null) act(value);
    }
  });
}

/**
 * Calls `act` at the next edit, once: for a message about a wrong code that must disappear. Returns a
 * function that stops.
 *
 * @example
 * const stop = onNextEdit(store, () => console.log('edited'));
 */
export function onNextEdit(store: FieldStore, act: () => void): () => void {
  const now = store.state();
  const letGo = store.subscribe((state, event) => {
    if (state === now || !event || still.test(event.type)) return;
    letGo();
    act();
  });
  return letGo;
}

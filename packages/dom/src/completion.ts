import type { FieldStore } from './store.ts';

/** Events that leave what the field holds as it is. */
const still = /^(focus|leave|select|submit)$/;

/**
 * Calls back when a value becomes complete, once for each completion: for acting on a code at once, without a button.
 * Taking a character out and putting it in again is another completion. Returns the way to let go.
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

/** Calls back at the first edit after now: a message about a wrong code goes with it. */
export function onNextEdit(store: FieldStore, act: () => void): () => void {
  const now = store.state();
  const letGo = store.subscribe((state, event) => {
    if (state === now || !event || still.test(event.type)) return;
    letGo();
    act();
  });
  return letGo;
}

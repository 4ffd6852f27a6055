/** Listeners of changes, called in order. All hear of one change before any hears of the next. */
export interface Listeners<A extends readonly unknown[]> {
  add(listener: (...change: A) => void): () => void;
  /**
   * Notifies all listeners. Called from a listener, it is queued until the current change has been delivered
   * to all.
   */
  tell(...change: A): void;
}

export function createListeners<A extends readonly unknown[]>(): Listeners<A> {
  const listeners = new Set<(...change: A) => void>();
  const untold: A[] = [];
  let isTelling = false;
  return {
    add(listener) {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
    tell(...change) {
      untold.push(change);
      if (isTelling) return;
      isTelling = true;
      let failure: { readonly error: unknown } | undefined;
      for (let next = untold.shift(); next; next = untold.shift())
        for (const listener of [...listeners])
          try {
            listener(...next);
          } catch (error) {
            // The other listeners are still called.
            failure ??= { error };
          }
      isTelling = false;
      if (failure) throw failure.error;
    },
  };
}

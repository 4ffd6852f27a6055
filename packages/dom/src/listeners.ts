/** Who is told of changes. Told in order, each listener of one change before any hears of the next. */
export interface Listeners<A extends readonly unknown[]> {
  add(listener: (...change: A) => void): () => void;
  /** Tells all; from within a listener, once they have heard the change it was told of. */
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
            // The others still hear of it.
            failure ??= { error };
          }
      isTelling = false;
      if (failure) throw failure.error;
    },
  };
}

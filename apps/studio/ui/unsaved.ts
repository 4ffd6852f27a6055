import { useEffect, useId, useSyncExternalStore } from 'react';

/**
 * Lines that hold something which cannot be saved as it stands: while there is one, not everything is saved.
 */
const lines = new Set<string>();
const listeners = new Set<() => void>();

function change(work: () => void): void {
  work();
  for (const tell of listeners) tell();
}

/** Says of a line whether it holds such a thing now. */
export function useUnsavedLine(isFaulty: boolean): void {
  const id = useId();
  useEffect(() => {
    if (!isFaulty) return;
    change(() => lines.add(id));
    return () => change(() => lines.delete(id));
  }, [id, isFaulty]);
}

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => {
    listeners.delete(tell);
  };
};

/** Whether any line of the page holds something that cannot be saved. */
export const useHasUnsavedLine = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => lines.size > 0,
    () => false,
  );

import { useEffect, useId, useSyncExternalStore } from 'react';

/** Inputs whose content cannot be saved as it is. While there is one, not everything is saved. */
const lines = new Set<string>();
const listeners = new Set<() => void>();

function change(work: () => void): void {
  work();
  for (const tell of listeners) tell();
}

/** Registers whether an input has content that cannot be saved. */
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

/** Whether any input of the page has content that cannot be saved. */
export const useHasUnsavedLine = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => lines.size > 0,
    () => false,
  );

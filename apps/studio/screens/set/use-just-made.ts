import { useEffect } from 'react';
import { takeMade } from '../../model/just-made.ts';
import type { IdPath } from '../../model/new-ids.ts';

/** Focuses the first element that `selector` finds, if the field or form of this page was just made. */
export function useJustMade(setKey: string, path: IdPath, selector: string): void {
  useEffect(() => {
    if (takeMade(setKey, path)) document.querySelector<HTMLElement>(selector)?.focus();
  }, [setKey, path, selector]);
}

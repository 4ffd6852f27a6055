import { useEffect } from 'react';
import { innermost } from './keys.ts';

/** Whether a key means undo or redo of the definition; inputs have an undo of their own. */
export function meansUndo(event: KeyboardEvent): 'undo' | 'redo' | undefined {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.defaultPrevented) return undefined;
  if ((innermost(event) as HTMLElement).matches('input, textarea, select, [contenteditable=true]'))
    return undefined;
  const key = event.key.toLowerCase();
  if (key !== 'z' && key !== 'y') return undefined;
  return key === 'y' || event.shiftKey ? 'redo' : 'undo';
}

/** Undo and redo of the definition, outside inputs with an undo of their own. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      const means = meansUndo(event);
      if (!means) return;
      event.preventDefault();
      if (means === 'redo') redo();
      else undo();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [undo, redo]);
}

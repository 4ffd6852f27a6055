import { innermost } from '../../ui/keys.ts';
import { meansUndo } from '../../ui/undo-keys.ts';
import { laidOut } from './laid-out.ts';

/**
 * Undo and redo by key on the shelf, of the set that was used last. Importing this module starts it; on other
 * pages, which lay out no sets, it does nothing.
 */

/** Id of the set that was clicked or focused last. */
let used: string | undefined;

const note = ({ target }: Event): void => {
  const section = target instanceof Element ? target.closest<HTMLElement>('[data-set]') : null;
  used = section?.dataset.set ?? used;
};

for (const type of ['pointerdown', 'focusin']) window.addEventListener(type, note, { capture: true });
used = document.activeElement?.closest<HTMLElement>('[data-set]')?.dataset.set;

window.addEventListener('keydown', (event) => {
  const means = meansUndo(event);
  if (!means || laidOut.size === 0) return;
  if ((innermost(event) as HTMLElement).closest('[role="dialog"]')) return;
  const all = [...laidOut.values()];
  const can = means === 'undo' ? 'canUndo' : 'canRedo';
  const set = all.find((one) => one.id === used && one[can]) ?? all.find((one) => one[can]);
  if (!set) return;
  event.preventDefault();
  set[means]();
});

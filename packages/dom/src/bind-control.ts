import { type BindOptions, bind } from './bind.ts';
import { bindPicks } from './bind-picks.ts';
import { groupsOf } from './boxes.ts';
import { pressBoxes } from './press-boxes.ts';
import type { FieldStore } from './store.ts';

/**
 * Binds any control a field is drawn with: an input, a text area, a `<select>`, or an element around radio
 * buttons or checkboxes. Of a code, presses on the boxes beside the input choose one. Returns a function that
 * unbinds.
 *
 * @example
 * const unbind = bindControl(input, store);
 */
export function bindControl(
  element: HTMLElement,
  store: FieldStore,
  options: Pick<BindOptions, 'submits'> = {},
): () => void {
  const isLine = element instanceof HTMLInputElement;
  if (!isLine && !(element instanceof HTMLTextAreaElement)) return bindPicks(element, store);
  const ends = [bind(element, store, options)];
  if (isLine && groupsOf(store.field).length) ends.push(pressBoxes(element, store));
  return () => {
    for (const end of ends) end();
  };
}

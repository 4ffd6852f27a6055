import { type BindOptions, bind } from './bind.ts';
import { bindPicks } from './bind-picks.ts';
import type { FieldStore } from './store.ts';

/**
 * Binds any control a field is drawn with: an input, a text area, a `<select>`, or an element around radio
 * buttons or checkboxes. Returns a function that unbinds.
 *
 * @example
 * const unbind = bindControl(input, store);
 */
export const bindControl = (
  element: HTMLElement,
  store: FieldStore,
  options: Pick<BindOptions, 'submits'> = {},
): (() => void) =>
  element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement
    ? bind(element, store, options)
    : bindPicks(element, store);

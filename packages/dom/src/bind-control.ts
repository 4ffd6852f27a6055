import { type BindOptions, bind } from './bind.ts';
import { bindPicks } from './bind-picks.ts';
import type { FieldStore } from './store.ts';

/** Binds whatever a field is drawn with: a line or lines to type into, or a list, buttons and boxes, or what is around them. Returns the way to let go. */
export const bindControl = (
  element: HTMLElement,
  store: FieldStore,
  options: Pick<BindOptions, 'submits'> = {},
): (() => void) =>
  element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement
    ? bind(element, store, options)
    : bindPicks(element, store);

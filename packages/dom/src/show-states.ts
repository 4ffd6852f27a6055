import type { Evaluation } from '@arbeit/engine/field';
import { statesOf } from './states.ts';

/**
 * Sets the states of a field on an element as `data-…` attributes. Does not change whether it is hidden.
 *
 * @example
 * showStates(document.body, store.evaluation());
 */
export function showStates(element: Element, evaluation: Evaluation): void {
  for (const [name, isSo] of Object.entries(statesOf(evaluation)))
    element.toggleAttribute(`data-${name}`, isSo);
}

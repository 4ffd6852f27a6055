import { act, createElement, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, beforeEach } from 'vitest';
import { fieldOf, type as typeInto } from '../../dom/src/adapters.fixture.ts';
import { type Field, useField } from './use-field.ts';

let ends: (() => void)[] = [];

/** Has something done after the test, or by `endAll`. */
export const atEnd = (end: () => void): number => ends.push(end);

/** Takes everything off the page. */
export function endAll(): void {
  for (const end of ends) end();
  ends = [];
}
beforeEach(() => {
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
});
afterEach(endAll);

/** Draws a component on the page. */
export function draw(node: ReactNode): HTMLElement {
  const place = document.body.appendChild(document.createElement('div'));
  const root = createRoot(place);
  act(() => root.render(node));
  atEnd(() => {
    act(() => root.unmount());
    place.remove();
  });
  return place;
}

/** Draws one field with whatever is to be tested, and answers the field of the latest render. */
export function drawField(
  id: string,
  drawn: (field: Field) => ReactNode,
): { place: HTMLElement; field: () => Field } {
  let latest: Field | undefined;
  function Drawn() {
    const field = useField(fieldOf(id), { today: '2027-02-10' });
    latest = field;
    return drawn(field);
  }
  return { place: draw(createElement(Drawn)), field: () => latest! };
}
export const find = <E extends HTMLElement = HTMLInputElement>(place: HTMLElement, selector: string): E =>
  place.querySelector<E>(selector)!;
export const texts = (place: HTMLElement, selector: string): readonly string[] =>
  [...place.querySelectorAll(selector)].map(({ textContent }) => textContent ?? '');
export const type = (input: HTMLElement, text: string) => act(() => typeInto(input, text));
export const click = (element: HTMLElement) => act(() => element.click());
export const press = (element: HTMLElement, key: string, more: object = {}) =>
  act(() => {
    element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
  });
